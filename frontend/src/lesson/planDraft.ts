import type { Catalogue, Lesson, Schemas } from '../api/client';

export type PlanItem = Schemas['PlanItemOut'];

/** What the server needs to store one exercise of the week; it computes the rest. */
export interface Wish {
  exercise: string;
  rung?: number;
  reps?: number;
  sets?: number;
  days?: number[];
  tempo?: number;
  goal?: number;
  /** Where on the neck; null for what the step says. */
  spot?: PlanItem['spot'];
}

const MAX_SETS = 6;
/** Days after the lesson. */
export const DAYS = [1, 2, 3, 4, 5, 6, 7];

export function wishOf(item: PlanItem): Wish {
  return {
    exercise: item.exercise,
    rung: item.rung,
    reps: item.reps,
    sets: item.sets,
    days: item.days,
    spot: item.spot,
    ...(item.tempo === null ? {} : { tempo: item.tempo }),
    ...(item.goal === null ? {} : { goal: item.goal }),
  };
}

/** The week as it stands: the given plan, or the proposal while nothing was given. */
export function itemsOf(lesson: Lesson): PlanItem[] {
  return lesson.plan?.items ?? lesson.proposal.items;
}

/**
 * The lesson with a week that is on its way: numbers show at once, so that quick touches add up.
 * Words and minutes of a changed dose come with the server's answer.
 */
export function withPlan(lesson: Lesson, value: unknown): Lesson {
  if (!Array.isArray(value)) return { ...lesson, plan: null };
  const known = [
    ...itemsOf(lesson),
    ...lesson.proposal.items,
    ...lesson.alternatives.flatMap((each) => each.items),
  ];
  const items = (value as Wish[]).flatMap((wish) => {
    const item = known.find((each) => each.exercise === wish.exercise);
    return item ? [withWish(item, wish)] : [];
  });
  const before = lesson.plan ?? {
    made_for: [],
    minutes_a_day: lesson.proposal.minutes_a_day,
    objections: [],
  };
  return { ...lesson, plan: { ...before, made_for: [], items } };
}

function withWish(item: PlanItem, wish: Wish): PlanItem {
  const { rung = item.rung, reps = item.reps, sets = item.sets, days = item.days } = wish;
  const same = rung === item.rung && reps === item.reps && sets === item.sets;
  const dose = same ? item.dose : sets > 1 ? `${sets} × ${reps}` : `${reps}`;
  const { tempo = item.tempo, goal = item.goal, spot = item.spot } = wish;
  return { ...item, rung, reps, sets, days, dose, tempo, goal, spot };
}

export function changed(items: PlanItem[], exercise: string, change: (wish: Wish) => Wish): Wish[] {
  return items.map((item) => (item.exercise === exercise ? change(wishOf(item)) : wishOf(item)));
}

/** Another rung brings its own dose. */
export function onRung(item: PlanItem, by: number): Wish {
  const rung = Math.min(item.rungs, Math.max(1, item.rung + by));
  return { exercise: item.exercise, rung, days: item.days, spot: item.spot };
}

/** More or less of it: sets where there are several, else repetitions. */
export function moreOrLess(item: PlanItem, by: number): Wish {
  const wish = wishOf(item);
  if (item.sets > 1 || item.reps === 1) {
    return { ...wish, sets: Math.min(MAX_SETS, Math.max(1, item.sets + by)) };
  }
  return { ...wish, reps: Math.max(1, item.reps + by) };
}

const USUAL_TEMPO = 60;
const USUAL_GOAL = 96;
const SLOWEST = 30;
const QUICKEST = 208;

/** Another start or goal of tempo work, in beats a minute; the goal stays above the start. */
export function atTempo(item: PlanItem, which: 'tempo' | 'goal', by: number): Wish {
  const now = { tempo: item.tempo ?? USUAL_TEMPO, goal: item.goal ?? USUAL_GOAL };
  const moved = { ...now, [which]: Math.min(QUICKEST, Math.max(SLOWEST, now[which] + by)) };
  const goal = Math.max(moved.goal, moved.tempo);
  return { ...wishOf(item), tempo: moved.tempo, goal };
}

export function withDay(item: PlanItem, day: number): Wish {
  const days = item.days.includes(day) ? item.days.filter((d) => d !== day) : [...item.days, day];
  return { ...wishOf(item), days: days.length === 0 ? item.days : days };
}

/** The week with one exercise moved to another place. */
export function movedTo(items: PlanItem[], exercise: string, place: number): Wish[] {
  const others = items.filter((item) => item.exercise !== exercise);
  const moved = items.filter((item) => item.exercise === exercise);
  return [...others.slice(0, place), ...moved, ...others.slice(place)].map(wishOf);
}

export interface DayOfWeek {
  /** 1 is the day after the lesson. */
  day: number;
  minutes: number;
  loads: boolean;
}

/** What the week asks for, day by day. */
export function weekOf(items: PlanItem[]): DayOfWeek[] {
  return DAYS.map((day) => {
    const meant = items.filter((item) => item.days.includes(day));
    return {
      day,
      minutes: meant.reduce((sum, item) => sum + item.minutes, 0),
      loads: meant.some((item) => item.kind === 'strength'),
    };
  });
}

interface Choice {
  id: string;
  name: string;
}

/** What may still be added: best for the focus first, then the others of this instrument. */
export function exercisesToAdd(lesson: Lesson, catalogue: Catalogue): Choice[] {
  const taken = new Set(itemsOf(lesson).map((item) => item.exercise));
  const mine = catalogue.exercises.filter(
    (each) => each.instruments.includes(lesson.player.instrument) && !taken.has(each.id),
  );
  const rank = (each: Choice) => {
    const place = lesson.proposal.offered.indexOf(each.id);
    return place === -1 ? lesson.proposal.offered.length : place;
  };
  return mine.sort((a, b) => rank(a) - rank(b)).map(({ id, name }) => ({ id, name }));
}

/** The first choice whose name holds what was typed; one that begins with it goes before. */
export function firstHit(choices: Choice[], typed: string): Choice | null {
  const wanted = typed.trim().toLowerCase();
  const names = choices.map((each) => ({ each, name: each.name.toLowerCase() }));
  const begins = names.find(({ name }) => name.startsWith(wanted));
  return (begins ?? names.find(({ name }) => name.includes(wanted)))?.each ?? null;
}
