// Tempo work as the server's core counts it (practice/tempo.py); `tempo_work.json` holds both to it.

export interface TempoNow {
  /** The beat now. */
  tempo: number;
  /** The highest beat that was clean three times running; null for none yet. */
  highest: number | null;
  /** How many plays lay below the goal. */
  slow: number;
}

const CLEAN_TO_CLIMB = 3;
const MISSES_TO_STEP_BACK = 2;

/** Where one stands on the steps after some plays, true for a clean one, oldest first. */
export function tempoAfter(steps: number[], plays: readonly boolean[]): TempoNow {
  const goal = steps.length - 1;
  let at = 0;
  let clean = 0;
  let missed = 0;
  let slow = 0;
  let highest: number | null = null;
  for (const isClean of plays) {
    if (at < goal) slow += 1;
    clean = isClean ? clean + 1 : 0;
    missed = isClean ? 0 : missed + 1;
    if (clean === CLEAN_TO_CLIMB) {
      highest = Math.max(highest ?? 0, steps[at] ?? 0);
      at = Math.min(at + 1, goal);
      clean = 0;
    }
    if (missed === MISSES_TO_STEP_BACK) {
      at = Math.max(at - 1, 0);
      missed = 0;
    }
  }
  return { tempo: steps[at] ?? 0, highest, slow };
}
