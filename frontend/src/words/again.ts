/** How what was told last time is now, in the order of their keys, 0 to 3. */
import * as say from '../messages/compiled/words';

export const AGAIN = [
  ['gone', say.gone()],
  ['less', say.less()],
  ['same', say.theSame()],
  ['more', say.more()],
] as const;

export type AgainAnswer = (typeof AGAIN)[number][0];

export function againWord(answer: string): string {
  return AGAIN.find(([each]) => each === answer)?.[1] ?? '';
}
