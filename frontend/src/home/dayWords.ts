import type { HomeItem } from './weekNow';
import * as say from '../messages/compiled/home';
import { LOCALE } from '../words/lists';

const DAYS_OF_A_WEEK = 7;

function at(date: string): Date {
  return new Date(`${date}T12:00:00`);
}

export function shortDay(date: string): string {
  return at(date).toLocaleDateString(LOCALE, { weekday: 'short' });
}

export function longDay(date: string): string {
  return at(date).toLocaleDateString(LOCALE, { weekday: 'long' });
}

export function dayOfMonth(date: string): string {
  return at(date).toLocaleDateString(LOCALE, { day: 'numeric', month: 'long' });
}

function plusDays(date: string, days: number): string {
  const moved = new Date(`${date}T12:00:00Z`);
  moved.setUTCDate(moved.getUTCDate() + days);
  return moved.toISOString().slice(0, 10);
}

/** From the lesson to the day of the next; once they are over, the eight up to today. */
export function shownDays(given: string, today: string): string[] {
  const last = plusDays(given, DAYS_OF_A_WEEK);
  const first = today > last ? plusDays(today, -DAYS_OF_A_WEEK) : given;
  return Array.from({ length: DAYS_OF_A_WEEK + 1 }, (_, index) => plusDays(first, index));
}

export function minutesSaid(minutes: number): string {
  if (minutes < 0.75) return say.halfAMinute();
  const told = Math.round(2 * minutes) / 2;
  return told === 1 ? say.oneMinute() : say.minutes({ told });
}

/** Without what each repetition is for: that stands in the line below. */
export function doseWords({ dose }: Pick<HomeItem, 'dose'>): string {
  return dose.replace(/, (finger|each) .*$/, '');
}
