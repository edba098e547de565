import { tempoAfter } from '../exercise/tempoWork';
import type { DayLog, HomeItem } from './weekNow';

export type Found = Record<string, boolean>;

/** What a day's practice has come to on this phone. */
export interface Practised {
  /** Exercises that were gone through. */
  done: readonly string[];
  /** By exercise of tempo work, whether each play was clean. */
  plays: Record<string, boolean[]>;
  before: Found;
  after: Found;
}

export const NOTHING_YET: Practised = { done: [], plays: {}, before: {}, after: {} };

/** What was answered at its end. */
export type Answers = Pick<DayLog, 'felt' | 'one_thing'>;
export const UNANSWERED: Answers = { felt: '', one_thing: '' };

/** What was told of pain. */
export type Hurt = Pick<DayLog, 'pain' | 'place' | 'signs' | 'hurt'>;
export const NO_PAIN: Hurt = { pain: 0, place: '', signs: [], hurt: '' };

export interface Said {
  answers: Answers;
  hurt: Hurt;
  /** What was kept of the day before now; null for nothing. */
  before: DayLog | null;
  /** What was done is told anew, and takes the place of what was. */
  isAnew: boolean;
}

/** The log of a day: what was practised now and before on that day, and what was answered. What
 * hurt that day stays, until somebody says that it was nothing. */
export function logOf(
  date: string,
  items: readonly HomeItem[],
  now: Practised,
  { answers, hurt, before, isAnew }: Said,
): DayLog {
  const all = items.map((item) => item.exercise);
  const earlier = before === null || isAnew ? [] : doneOn(before, all);
  const done = all.filter((id) => now.done.includes(id) || earlier.includes(id));
  // While it hurts a day holds less: what was kept of it must not become "all" by that.
  const isKept = before !== null && !isAnew && now.done.every((id) => earlier.includes(id));
  const isNotDone = isKept ? before.done === 'not' : done.length === 0;
  const tempos = temposOf(items, now.plays);
  const checks = checksOf(now);
  return {
    date,
    ...(isKept ? { done: before.done, parts: before.parts } : doneOf(done, all)),
    felt: isNotDone ? '' : answers.felt || (before?.felt ?? ''),
    one_thing: isNotDone ? '' : answers.one_thing || (before?.one_thing ?? ''),
    ...(isNothing(hurt) && before !== null ? painOf(before) : hurt),
    later: null,
    tempos: { ...before?.tempos, ...tempos },
    checks: { ...before?.checks, ...checks },
  };
}

function doneOf(done: string[], all: readonly string[]): Pick<DayLog, 'done' | 'parts'> {
  if (done.length === 0) return { done: 'not', parts: null };
  return done.length === all.length
    ? { done: 'done', parts: null }
    : { done: 'partly', parts: done };
}

/** Something hurt, whether or not it was said how much. */
export function isPain({ pain, signs, hurt }: Hurt): boolean {
  return pain > 0 || signs.length > 0 || hurt === 'open';
}

/** The worse of what hurt before on a day and what is told now. */
export function worse(before: Hurt, told: Hurt): Hurt {
  const worst = before.pain > told.pain ? before : told;
  const signs = [...new Set([...before.signs, ...told.signs])];
  return { pain: worst.pain, place: worst.place, signs, hurt: told.hurt };
}

function isNothing({ pain, signs, hurt }: Hurt): boolean {
  return pain === 0 && signs.length === 0 && hurt === '';
}

export function painOf({ pain, place, signs, hurt }: DayLog): Hurt {
  return { pain, place, signs, hurt };
}

/** Exercises that a log says were done. */
export function doneOn(log: DayLog, all: readonly string[]): readonly string[] {
  if (log.done === 'done') return all;
  return log.done === 'partly' ? (log.parts ?? []) : [];
}

function temposOf(items: readonly HomeItem[], plays: Record<string, boolean[]>): DayLog['tempos'] {
  const worked = items.flatMap((item) => {
    const mine = plays[item.exercise] ?? [];
    if (mine.length === 0) return [];
    const { highest, slow } = tempoAfter(item.tempo_steps, mine);
    return [[item.exercise, { highest, plays: mine.length, slow }] as const];
  });
  return Object.fromEntries(worked);
}

/** What was as it should be; a time at which nothing was touched is left out. */
function checksOf({ before, after }: Pick<Practised, 'before' | 'after'>): DayLog['checks'] {
  const touched = Object.entries({ before, after }).filter(
    ([, each]) => Object.keys(each).length > 0,
  );
  return Object.fromEntries(
    touched.map(([when, each]) => [when, Object.keys(each).filter((id) => each[id])]),
  );
}
