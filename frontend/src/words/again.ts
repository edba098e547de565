/** How what was told last time is now, in the order of their keys, 0 to 3. */
export const AGAIN = [
  ['gone', 'gone'],
  ['less', 'less'],
  ['same', 'the same'],
  ['more', 'more'],
] as const;

export type AgainAnswer = (typeof AGAIN)[number][0];

export function againWord(answer: string): string {
  return AGAIN.find(([each]) => each === answer)?.[1] ?? '';
}
