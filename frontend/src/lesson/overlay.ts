import type { Finding, Lesson } from '../api/client';
import type { Entry } from '../outbox/entry';
import { withPlan } from './planDraft';

/** The lesson as it will look when the waiting entries have arrived: grades show at once. */
export function withEntries(lesson: Lesson, entries: readonly Entry[]): Lesson {
  const undone = new Set(entries.filter((e) => e.kind === 'undo').map((e) => e.key));
  return entries.filter((entry) => !undone.has(entry.clientKey)).reduce(withEntry, lesson);
}

/** The key of what undo takes back next: what is on its way first; null when nothing is left. */
export function nextUndo(lesson: Lesson, entries: readonly Entry[]): string | null {
  const undone = new Set(entries.filter((e) => e.kind === 'undo').map((e) => e.key));
  const onTheWay = entries.filter((e) => e.kind !== 'undo').map((e) => e.clientKey);
  const all = [...onTheWay.reverse(), ...lesson.undoable.map((each) => each.key)];
  return all.find((key) => !undone.has(key)) ?? null;
}

function withEntry(lesson: Lesson, entry: Entry): Lesson {
  switch (entry.kind) {
    case 'observation':
      return { ...lesson, findings: withFinding(lesson.findings, entry) };
    case 'skip': {
      const others = lesson.skipped.filter((name) => name !== entry.key);
      return { ...lesson, skipped: entry.value === true ? [...others, entry.key] : others };
    }
    case 'reports':
      return {
        ...lesson,
        asked: entry.value !== null,
        reports: (entry.value ?? {}) as Record<string, unknown>,
      };
    case 'complaint':
      return {
        ...lesson,
        complaint: (entry.value as string | null) ?? null,
        complaint_finger: null,
      };
    case 'complaint_finger':
      return { ...lesson, complaint_finger: entry.value as number | null };
    case 'again':
      return { ...lesson, again: withAnswer(lesson.again, entry) };
    case 'break':
      return { ...lesson, break_weeks: entry.value as number | null };
    case 'practised': {
      const practised = entry.value as string[] | null;
      return { ...lesson, paper_week: lesson.paper_week && { ...lesson.paper_week, practised } };
    }
    case 'plan':
      return withPlan(lesson, entry.value);
    case 'harder':
      return { ...lesson, harder_piece: entry.value === true };
    case 'fit':
      return { ...lesson, fit: lesson.fit && { ...lesson.fit, judged: entry.value as string } };
    case 'line':
      return { ...lesson, teacher_line: entry.value as string };
    case 'one_thing':
      return { ...lesson, one_thing: entry.value as string };
    case 'home_take':
      return { ...lesson, home_take: entry.value as string };
    case 'result':
      return {
        ...lesson,
        review: lesson.review.map((row) =>
          String(row.item) === entry.key ? { ...row, ...shownAs(entry.value) } : row,
        ),
      };
    default:
      return lesson;
  }
}

function shownAs(value: unknown): { passed: boolean | null; pain: number | null } {
  const told = value as { passed: boolean; pain?: number | null } | null;
  return { passed: told?.passed ?? null, pain: told?.pain ?? null };
}

function withAnswer(again: Lesson['again'], entry: Entry): Lesson['again'] {
  const answer = (entry.value as string | null) ?? '';
  return again.map((each) => (each.key === entry.key ? { ...each, answer } : each));
}

function withFinding(findings: Record<string, Finding>, entry: Entry): Record<string, Finding> {
  const [evidence = '', finger] = entry.key.split('/');
  const rest = Object.fromEntries(Object.entries(findings).filter(([name]) => name !== evidence));
  const before = findings[evidence];
  if (typeof entry.value === 'object' && entry.value !== null) return findings;
  if (!finger) {
    if (typeof entry.value !== 'number') return rest;
    return {
      ...rest,
      [evidence]: {
        grade: entry.value,
        by_finger: {},
        value: null,
        compared: null,
        accepted: null,
      },
    };
  }
  const others = Object.fromEntries(
    Object.entries(before?.by_finger ?? {}).filter(([key]) => key !== finger),
  );
  const byFinger = typeof entry.value === 'number' ? { ...others, [finger]: entry.value } : others;
  const grades = Object.values(byFinger);
  if (grades.length === 0) return rest;
  return {
    ...rest,
    [evidence]: {
      grade: Math.max(...grades),
      by_finger: byFinger,
      value: null,
      compared: null,
      accepted: null,
    },
  };
}
