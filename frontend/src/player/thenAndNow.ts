import type { Schemas } from '../api/client';

type Row = Schemas['TimelineRow'];

/** What was seen first and what was seen last of every sign, as hands are asked for. */
export function thenAndNow(rows: Row[]): { then: string; now: string } {
  return {
    then: signsAt(rows, (grades) => grades.findIndex((grade) => grade !== null)),
    now: signsAt(rows, (grades) =>
      grades.reduce<number>((at, grade, index) => (grade === null ? at : index), -1),
    ),
  };
}

function signsAt(rows: Row[], lessonOf: (grades: Row['grades']) => number): string {
  return rows
    .flatMap((row) => {
      const at = lessonOf(row.grades);
      const grade = row.grades[at] ?? 0;
      if (grade === 0) return [];
      const fingers = row.fingers[at] ?? [];
      if (fingers.length === 0) return [`${row.evidence}:${grade}`];
      return fingers.map((finger) => `${row.evidence}:${grade}:${finger}`);
    })
    .sort()
    .join(',');
}
