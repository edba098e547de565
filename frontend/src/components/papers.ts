import type { SheetPaper } from '../api/queries';
import * as say from '../messages/compiled/components';

/** What a sheet can be printed on. */
export interface PaperChoice {
  id: string;
  words: string;
  as: Omit<SheetPaper, 'helper'>;
}

export const A4: PaperChoice = { id: 'a4', words: 'A4', as: { paper: 'a4', large: false } };
export const PAPERS: PaperChoice[] = [
  A4,
  { id: 'letter', words: say.usLetter(), as: { paper: 'us-letter', large: false } },
  { id: 'a4-large', words: say.a4LargePrint(), as: { paper: 'a4', large: true } },
  { id: 'letter-large', words: say.usLetterLargePrint(), as: { paper: 'us-letter', large: true } },
];

/** As the address of a PDF asks for it. */
export function paperAsked({ paper, large, helper }: SheetPaper): string {
  const asked = new URLSearchParams({ paper });
  if (large) asked.set('large', 'true');
  if (helper) asked.set('helper', 'true');
  return asked.toString();
}
