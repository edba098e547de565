export interface TimedDose {
  reps: number;
  sets: number;
  seconds: number;
  pause: number;
  rest: number;
  is_hold: boolean;
  minutes: number;
}

export interface Phase {
  kind: 'do' | 'let go' | 'rest';
  seconds: number;
  words: string;
}

const LEAST_REST = 5;

/** A dose as phases to be timed: each hold and its pause, or a whole set, and the rest after a set. */
export function phasesOf(dose: TimedDose): Phase[] {
  const phases: Phase[] = [];
  const pause = Math.max(dose.pause, dose.is_hold ? LEAST_REST : 0);
  for (let set = 1; set <= dose.sets; set += 1) {
    const where = dose.sets > 1 ? `, round ${set} of ${dose.sets}` : '';
    if (dose.is_hold) {
      for (let rep = 1; rep <= dose.reps; rep += 1) {
        phases.push({ kind: 'do', seconds: dose.seconds, words: `${rep} of ${dose.reps}${where}` });
        phases.push({ kind: 'let go', seconds: pause, words: 'let everything hang' });
      }
    } else {
      const seconds = Math.round((60 * dose.minutes) / dose.sets);
      phases.push({ kind: 'do', seconds, words: `gently${where}` });
    }
    if (set < dose.sets) {
      phases.push({ kind: 'rest', seconds: Math.max(dose.rest, LEAST_REST), words: 'arm down' });
    }
  }
  return phases;
}

/** Where a timer stands after so many seconds: the phase and what is left of it; null at the end. */
export function phaseAt(phases: Phase[], seconds: number): { index: number; left: number } | null {
  let passed = 0;
  for (const [index, phase] of phases.entries()) {
    passed += phase.seconds;
    if (seconds < passed) return { index, left: passed - seconds };
  }
  return null;
}
