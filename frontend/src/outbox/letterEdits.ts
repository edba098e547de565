import type { Schemas } from '../api/client';

type Draft = Schemas['LetterOut'];

export type EditedLetter = Draft & { picture: boolean };

interface Kept {
  /** The drafts that were edited, to tell when the records have moved on. */
  from: Draft[];
  letters: EditedLetter[];
}

const SHELF = 'letters/';

export interface Edits {
  letters: EditedLetter[];
  /** The records say other things by now than when these were edited. */
  isOld: boolean;
}

/** What was edited in this tab, so that a reload loses nothing; drafts where nothing was. */
export function keptEdits(name: string, drafts: Draft[]): Edits {
  const fresh = drafts.map((draft) => ({ ...draft, picture: draft.has_picture }));
  const kept = read(name);
  if (kept === null) return { letters: fresh, isOld: false };
  const letters = fresh.map(
    (draft) => kept.letters.find((each) => each.player === draft.player) ?? draft,
  );
  return { letters, isOld: JSON.stringify(kept.from) !== JSON.stringify(drafts) };
}

function read(name: string): Kept | null {
  try {
    return JSON.parse(sessionStorage.getItem(SHELF + name) ?? 'null') as Kept | null;
  } catch {
    return null;
  }
}

export function keepEdits(name: string, drafts: Draft[], letters: EditedLetter[]): void {
  const kept: Kept = { from: read(name)?.from ?? drafts, letters };
  try {
    sessionStorage.setItem(SHELF + name, JSON.stringify(kept));
  } catch {
    // Nothing is kept over a reload where the browser keeps nothing.
  }
}

export function forgetEdits(name: string): void {
  sessionStorage.removeItem(SHELF + name);
}

/** All of them, when somebody signs out. */
export function forgetAllEdits(): void {
  const names = Object.keys(sessionStorage).filter((key) => key.startsWith(SHELF));
  for (const key of names) sessionStorage.removeItem(key);
}
