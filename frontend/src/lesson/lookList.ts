import type { Evidence, Lesson } from '../api/client';
import type { Spot } from '../drawings/places';

type Place = Pick<Spot, 'place' | 'finger'>;

/** What is asked: the proposed look, a touched place, one check, the trials, or the checks without a
 * place. */
export type ListChoice =
  | { kind: 'look' }
  | { kind: 'spot'; spot: Spot }
  | { kind: 'check'; check: string }
  | { kind: 'trials' }
  | { kind: 'placeless' };

const HELPED = 2;
const LONG_SECONDS = 60;

export function isDone(lesson: Lesson, evidence: string): boolean {
  return evidence in lesson.findings || lesson.skipped.includes(evidence);
}

/** Checks at a spot. A finger's own spots also take evidence that speaks of that finger alone. */
export function checksAt(evidence: Evidence[], spot: Place): Evidence[] {
  return evidence.filter(
    (item) =>
      item.place === spot.place &&
      (typeof spot.finger !== 'number' ||
        item.per_finger ||
        item.of_finger === null ||
        item.of_finger === spot.finger),
  );
}

/** The grade that shows at a spot: the worst of its checks, for a finger's spot that finger's. */
export function gradeAt(lesson: Lesson, evidence: Evidence[], spot: Place): number | null {
  let worst: number | null = null;
  for (const item of checksAt(evidence, spot)) {
    const finding = lesson.findings[item.id];
    if (!finding) continue;
    const grade =
      typeof spot.finger === 'number' && item.per_finger
        ? (finding.by_finger[String(spot.finger)] ?? null)
        : finding.grade;
    if (grade !== null) worst = Math.max(worst ?? 0, grade);
  }
  return worst;
}

/** The fingers that a grade goes to first: the one touched, or those of last time; none where
 * nothing tells, so that one asks. */
export function firstFingers(
  lesson: Lesson,
  item: Evidence,
  touched: number | null | undefined,
): number[] {
  if (typeof touched === 'number') return [touched];
  const before = Object.entries(lesson.previous?.findings[item.id]?.by_finger ?? {});
  const worst = Math.max(0, ...before.map(([, grade]) => grade));
  if (worst === 0) return [];
  return before.filter(([, grade]) => grade === worst).map(([finger]) => Number(finger));
}

/** Trials in the order of use: the one that would settle most, what helped last time, then those for
 * the likely causes. */
export function trialsInOrder(lesson: Lesson, evidence: Evidence[]): Evidence[] {
  const before = Object.entries(lesson.previous?.findings ?? {});
  const helped = before.filter(([, found]) => found.grade >= HELPED).map(([id]) => id);
  const wanted = [
    lesson.settle,
    ...helped,
    ...lesson.causes.filter((c) => c.word !== 'unlikely').map((c) => c.settle),
  ].filter((id): id is string => id !== null);
  const rank = (item: Evidence) => {
    if (item.id in lesson.findings) return -1;
    const index = wanted.indexOf(item.id);
    return index === -1 ? wanted.length : index;
  };
  return evidence.filter((item) => item.stage === 'trial').sort((a, b) => rank(a) - rank(b));
}

/** At a touched place: what was asked for first, and whole tests after all that is seen at once. */
export function askedFirst(items: Evidence[], look: string[]): Evidence[] {
  const rank = (item: Evidence) => {
    if (look.includes(item.id)) return 0;
    return item.seconds < LONG_SECONDS ? 1 : 2;
  };
  return [...items].sort((a, b) => rank(a) - rank(b));
}

export function placeless(evidence: Evidence[]): Evidence[] {
  return evidence.filter((item) => item.place === 'none' && item.stage !== 'trial');
}
