import type { Schemas } from '../api/client';

export type Row = Schemas['DayRowOut'];

interface Day {
  /** In order of time; a stop stands where the player stands. */
  today: Row[];
  /** Not today, but stopped or in pain. */
  urgent: Row[];
  others: Row[];
  /** Whose lesson is now or comes next; what was begun and not left comes before what follows. */
  next: Row | undefined;
  /** How many lessons of the day lie behind; the last of these may still go on. */
  passed: number;
}

/** The players of a day as they stand on its page. `now`: HH:MM. */
export function dayOf(rows: Row[], now: string): Day {
  const today = rows
    .filter((row) => row.is_today)
    .sort((a, b) => (a.time ?? '99').localeCompare(b.time ?? '99'));
  const rest = rows.filter((row) => !row.is_today);
  const urgent = rest.filter((row) => row.flag !== null || row.pain !== null);
  const others = rest.filter((row) => !urgent.includes(row));
  const here = today.filter((row) => row.away === null);
  const begun = here.filter((row) => (row.time ?? '99') <= now && !row.lesson_today);
  const next = begun.at(-1) ?? here.find((row) => !row.lesson_today) ?? here.at(-1);
  const passed = today.filter((row) => (row.time ?? '99') <= now).length;
  return { today, urgent, others, next, passed };
}

/** Those whose name holds every word that was typed. */
export function named(rows: Row[], typed: string): Row[] {
  const words = plain(typed).split(/\s+/).filter(Boolean);
  return rows.filter((row) => words.every((word) => plain(row.player.name).includes(word)));
}

function plain(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
}
