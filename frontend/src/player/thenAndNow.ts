import type { Schemas } from '../api/client';

type Row = Schemas['TimelineRow'];

const MOST_SIGNS = 6;

export interface SignChange {
  evidence: string;
  label: string;
  then: number;
  now: number;
  /** Number of the lesson in which it was last looked at. */
  lastSeen: number;
}

const firstLook = (grades: Row['grades']) => grades.findIndex((grade) => grade !== null);
const lastLook = (grades: Row['grades']) => grades.findLastIndex((grade) => grade !== null);

/** What was seen first and what was seen last of every sign, as hands are asked for. */
export function thenAndNow(rows: Row[]): { then: string; now: string } {
  return { then: signsAt(rows, firstLook), now: signsAt(rows, lastLook) };
}

/** The signs that were looked at more than once, those that changed most first. */
export function signChanges(rows: Row[]): SignChange[] {
  return rows
    .flatMap(({ evidence, label, grades }) => {
      const [first, last] = [firstLook(grades), lastLook(grades)];
      const then = grades[first] ?? 0;
      const now = grades[last] ?? 0;
      if (first === last || (then === 0 && now === 0)) return [];
      return [{ evidence, label, then, now, lastSeen: last }];
    })
    .sort((a, b) => Math.abs(b.now - b.then) - Math.abs(a.now - a.then) || b.then - a.then)
    .slice(0, MOST_SIGNS);
}

function signsAt(rows: Row[], lookOf: (grades: Row['grades']) => number): string {
  return rows
    .flatMap((row) => {
      const at = lookOf(row.grades);
      const grade = row.grades[at] ?? 0;
      if (grade === 0) return [];
      const fingers = row.fingers[at] ?? [];
      if (fingers.length === 0) return [`${row.evidence}:${grade}`];
      return fingers.map((finger) => `${row.evidence}:${grade}:${finger}`);
    })
    .sort()
    .join(',');
}
