/** One thing that was entered. `clientKey` makes it count once, however often it is sent. */
export interface Entry {
  clientKey: string;
  kind: string;
  key: string;
  value: unknown;
}

/** An entry as it is kept in the browser until the server has it. */
export interface KeptEntry extends Entry {
  /** Where it goes, such as "lesson/12". */
  channel: string;
  /** Who entered it; it is sent as nobody else. */
  owner: string;
  /** Milliseconds since 1970, by this device. */
  at: number;
  /** Place in the order of entry. */
  place: string;
  tries: number;
  /** Why the server cannot take it; null while it is still on its way. */
  aside: string | null;
}

/** Whole entries only: what cannot be read was not written by this page. */
export function readKept(text: string | null): KeptEntry | null {
  if (text === null) return null;
  try {
    const found = JSON.parse(text) as Partial<KeptEntry> | null;
    const isWhole =
      typeof found?.clientKey === 'string' &&
      typeof found.channel === 'string' &&
      typeof found.owner === 'string' &&
      typeof found.kind === 'string' &&
      typeof found.place === 'string';
    return isWhole ? ({ tries: 0, aside: null, ...found } as KeptEntry) : null;
  } catch {
    return null;
  }
}
