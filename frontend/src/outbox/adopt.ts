import type { Entry } from './entry';

const OLD = /^jolf\.(lesson|sweep|home)\.(.+)$/;
const CHANNELS: Record<string, string> = { lesson: 'lesson', sweep: 'group', home: 'home' };

/** Entries that an earlier version of these pages kept, one list a page; each is handed over once. */
export function adoptOldEntries(
  storage: Storage,
  mine: (channel: string) => boolean,
  push: (channel: string, entry: Entry) => void,
): void {
  for (const key of Object.keys(storage)) {
    const [, page = '', id = ''] = OLD.exec(key) ?? [];
    const channel = `${CHANNELS[page] ?? ''}/${id}`;
    if (!page || !mine(channel)) continue;
    for (const entry of readList(storage.getItem(key))) push(channel, entry);
    storage.removeItem(key);
  }
}

function readList(text: string | null): Entry[] {
  try {
    const kept: unknown = JSON.parse(text ?? '[]');
    return Array.isArray(kept) ? (kept as Entry[]) : [];
  } catch {
    return [];
  }
}
