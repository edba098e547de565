/** A day's number: 1 is the day after the lesson, 7 the last of the week. */
type Day = number;

const LAST_DAY = 7;

interface Going {
  /** Days on which something was practised. */
  done: ReadonlySet<Day>;
  /** 0 is the day of the lesson. */
  today: Day;
  /** Exercises that load the hand and may not stand on two days running. */
  apart: ReadonlySet<string>;
}

/**
 * The week with missed days moved to free ones, as `lefthand/practice/week.py` does it, so that a phone
 * without a network shows the right day. Both are held to the same table of cases.
 */
export function movedWeek(
  planned: Record<string, readonly Day[]>,
  { done, today, apart }: Going,
): Record<string, Day[]> {
  const week = new Map(Object.entries(planned).map(([name, days]) => [name, new Set(days)]));
  for (let day = 1; day < Math.min(today, LAST_DAY + 1); day += 1) {
    const missed = [...week.keys()].filter((name) => week.get(name)?.has(day));
    if (done.has(day) || missed.length === 0) continue;
    for (const name of missed) week.get(name)?.delete(day);
    const free = firstFree(week, day + 1);
    if (free === null) continue;
    for (const name of missed) {
      if (!apart.has(name) || !hasLoadBeside(week, free, apart)) week.get(name)?.add(free);
    }
  }
  const sorted = [...week].map(([name, days]): [string, Day[]] => [
    name,
    [...days].sort((a, b) => a - b),
  ]);
  return Object.fromEntries(sorted);
}

function firstFree(week: Map<string, Set<Day>>, first: Day): Day | null {
  for (let day = first; day <= LAST_DAY; day += 1) {
    if (![...week.values()].some((days) => days.has(day))) return day;
  }
  return null;
}

function hasLoadBeside(week: Map<string, Set<Day>>, day: Day, apart: ReadonlySet<string>): boolean {
  return [...week].some(
    ([name, days]) => apart.has(name) && (days.has(day - 1) || days.has(day + 1)),
  );
}
