import type { Schemas } from '../api/client';

export type Cue = Schemas['CueOut'];

/** Where a timer stands after so many seconds: the cue and what is left of it; null at the end. */
export function cueAt(cues: Cue[], seconds: number): { index: number; left: number } | null {
  let passed = 0;
  for (const [index, cue] of cues.entries()) {
    passed += cue.seconds;
    if (seconds < passed) return { index, left: passed - seconds };
  }
  return null;
}

/** What is called out next: in their order, or any but the last one. `random` gives 0 up to 1. */
export function nextCall(
  calls: Pick<Schemas['CallsOut'], 'words' | 'in_order'>,
  last: number,
  random: () => number,
): number {
  const count = calls.words.length;
  if (calls.in_order || count < 2) return (last + 1) % count;
  const others = Array.from({ length: count }, (_, index) => index).filter((i) => i !== last);
  return others[Math.floor(random() * others.length)] ?? 0;
}
