import type { Schemas } from '../api/client';
import type { KeptEntry } from '../outbox/entry';
import { movedWeek } from './movedWeek';

export type Week = Schemas['HomeOut'];
export type DayLog = Schemas['HomeDayOut'];
export type HomeItem = Schemas['HomeItemOut'] & {
  /** Calendar days, with what was missed moved. */
  days: string[];
};

/** The week as it stands on this device, with what was logged here and is still to be sent. */
export interface WeekNow extends Omit<Week, 'items'> {
  items: HomeItem[];
  /** Paused by the teacher's side, or by a log that is still on its way there. */
  stopped: boolean;
  /** Names of what is left out while something hurts or one eases off. */
  resting: string[];
  /** A log that stops the week has not arrived yet, so the teacher does not know. */
  unheard: boolean;
  /** The day with pain of which it was not told yet whether it was still there later. */
  asksAbout: string | null;
}

/** What the week holds on a day: on the day of the lesson all of it, as it was just shown. */
export function itemsOn(week: WeekNow, date: string): HomeItem[] {
  if (date === week.given_on) return week.items;
  return week.items.filter((item) => item.days.includes(date));
}

const STOP_PAIN = 4;
const SKIN = 'skin';
const SOMEWHERE = 'somewhere';
const DAY = 86_400_000;

/** A log after which one stops and asks: pain of four or more, or a sign. */
export function isStop(log: Pick<DayLog, 'pain' | 'signs'>): boolean {
  return log.pain >= STOP_PAIN || log.signs.length > 0;
}

/** Something hurt on that day, whether or not it was said how much. */
export function hurtsOn(log: Pick<DayLog, 'pain' | 'hurt'>): boolean {
  return log.pain > 0 || log.hurt === 'open';
}

export function dayNumber(given: string, date: string): number {
  return Math.round((Date.parse(date) - Date.parse(given)) / DAY);
}

function dateOf(given: string, day: number): string {
  return new Date(Date.parse(given) + day * DAY).toISOString().slice(0, 10);
}

export function weekNow(told: Week, entries: readonly KeptEntry[], today: string): WeekNow {
  const week = wholeWeek(told);
  const days = entries.reduce(withEntry, week.days);
  const stops = entries.some(isStopEntry);
  const sore = soreNow(week, days, entries);
  const hurts = days.some((log) => hurtsOn(log) && log.place !== SKIN);
  const eased = week.eased || hurts || sore.some((place) => place !== SKIN);
  const asked = days.find((log) => hurtsOn(log) && log.later === null && log.date < today);
  const items = itemsNow(week, days, today, { eased, sore });
  const kept = new Set(items.map((item) => item.exercise));
  return {
    ...week,
    today,
    days,
    eased,
    sore,
    items,
    resting: week.items.filter((item) => !kept.has(item.exercise)).map((item) => item.name),
    stopped: week.paused || stops,
    unheard: stops,
    asksAbout: asked?.date ?? null,
  };
}

/** A week that the phone has kept from an earlier version, with what it did not tell yet. */
function wholeWeek(week: Week): Week {
  const { one_thing, reader } = week as Partial<Week>;
  return {
    ...week,
    one_thing: one_thing ?? null,
    reader: reader ?? 'teen',
    items: week.items.map((item) => ({
      ...item,
      lines: (item as Partial<HomeItem>).lines ?? [],
      finger_words: (item as Partial<HomeItem>).finger_words ?? '',
      brief: (item as Partial<HomeItem>).brief ?? {
        steps: item.steps,
        feel: item.feel,
        stop: item.stop,
      },
    })),
  };
}

function isStopEntry({ kind, value }: KeptEntry): boolean {
  if (kind === 'day') return isStop(value as DayLog);
  return kind === 'later' && (value as string[]).length > 0;
}

function withEntry(days: DayLog[], { kind, key, value }: KeptEntry): DayLog[] {
  if (kind === 'day') {
    const log = value as DayLog;
    return [...days.filter((day) => day.date !== log.date), { ...log, later: null }];
  }
  if (kind === 'later') {
    return days.map((day) =>
      day.date === key ? { ...day, later: value as DayLog['later'] } : day,
    );
  }
  return days;
}

/** Places that hurt, with what was logged here and is still to be sent. */
function soreNow(week: Week, days: DayLog[], entries: readonly KeptEntry[]): string[] {
  const here = new Set(entries.filter((each) => each.kind === 'day').map((each) => each.key));
  const late = days.filter((log) => here.has(log.date) && hurtsOn(log));
  return [...new Set([...week.sore, ...late.map((log) => log.place || SOMEWHERE)])];
}

/** The doses of today: what hurts rests, the rest is halved, sore skin shortens. */
function itemsNow(
  week: Week,
  logs: DayLog[],
  today: string,
  { eased, sore }: { eased: boolean; sore: string[] },
): HomeItem[] {
  const number = (date: string) => dayNumber(week.given_on, date);
  const moved = movedWeek(
    Object.fromEntries(week.items.map((item) => [item.exercise, item.planned])),
    {
      done: new Set(logs.filter((log) => log.done !== 'not').map((log) => number(log.date))),
      today: number(today),
      apart: new Set(week.items.filter((item) => item.is_apart).map((item) => item.exercise)),
    },
  );
  return week.items.flatMap((item) => {
    const days = (moved[item.exercise] ?? []).map((day) => dateOf(week.given_on, day));
    if (item.rests_with.some((place) => sore.includes(place))) return [];
    if (!eased) return [{ ...item, ...(sore.includes(SKIN) ? item.shortened : {}), days }];
    return item.eased ? [{ ...item, ...item.eased, days }] : [];
  });
}
