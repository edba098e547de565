import type { Schemas } from '../api/client';

export type EditedLetter = Schemas['LetterOut'] & { picture: boolean };

const SHELF = 'letters/';

/** What was edited in this tab, so that a reload loses nothing; drafts where nothing was. */
export function keptEdits(name: string, drafts: Schemas['LetterOut'][]): EditedLetter[] {
  const fresh = drafts.map((draft) => ({ ...draft, picture: draft.has_picture }));
  try {
    const kept = JSON.parse(sessionStorage.getItem(SHELF + name) ?? '[]') as EditedLetter[];
    return fresh.map((draft) => kept.find((each) => each.player === draft.player) ?? draft);
  } catch {
    return fresh;
  }
}

export function keepEdits(name: string, letters: EditedLetter[]): void {
  try {
    sessionStorage.setItem(SHELF + name, JSON.stringify(letters));
  } catch {
    // Nothing is kept over a reload where the browser keeps nothing.
  }
}

export function forgetEdits(name: string): void {
  sessionStorage.removeItem(SHELF + name);
}
