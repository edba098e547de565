// Fixed words of the screen, in one place.

import * as say from '../messages/compiled/words';
import { LOCALE, beside } from '../words/lists';

export const GRADE_WORDS = [say.notThere(), say.slight(), say.clear(), say.strong()] as const;
const TRIAL_WORDS = [say.noHelp(), say.aLittle(), say.clearly(), say.atOnce()] as const;

export const STAGE_WORDS: Record<string, string> = {
  setup: say.setUp(),
  hand: say.handAlone(),
  placed: say.handOnTheNeckSilent(),
  down: say.fingersDownSilent(),
  slow: say.slowPlaying(),
  fast: say.fastOrHardPlaying(),
  after: say.afterwards(),
  trial: say.tryOneThing(),
};

export const INSTRUMENT_WORDS: Record<string, string> = {
  vn: say.violin(),
  va: say.viola(),
  vc: say.cello(),
  db: say.doubleBass(),
};

/** At the shoulder, so that it can fall. */
export function isHeldUp({ instrument }: { instrument: string }): boolean {
  return instrument === 'vn' || instrument === 'va';
}

/** For which instruments, in the order of their size; '' where it is for all. */
export function instrumentsWords(instruments: readonly string[]): string {
  const known = Object.keys(INSTRUMENT_WORDS).filter((each) => instruments.includes(each));
  if (known.length === Object.keys(INSTRUMENT_WORDS).length) return '';
  return beside(known.map((each) => INSTRUMENT_WORDS[each]));
}

export const MOVE_WORDS: Record<string, string> = {
  'go on': say.goOn(),
  stay: say.stay(),
  'step back': say.stepBack(),
  rest: say.rest(),
  'look again': say.lookAgain(),
};

export function gradeWord(grade: number, isTrial = false): string {
  return (isTrial ? TRIAL_WORDS : GRADE_WORDS)[grade] ?? '';
}

export function shortDate(iso: string): string {
  return new Date(`${iso}T12:00:00`).toLocaleDateString(LOCALE, {
    day: 'numeric',
    month: 'short',
  });
}

/** Short name of the weekday that lies `days` after a date. */
export function weekday(from: string, days = 0): string {
  const date = new Date(`${from}T12:00:00`);
  date.setDate(date.getDate() + days);
  return date.toLocaleDateString(LOCALE, { weekday: 'short' });
}

export function longDay(date: Date): string {
  return date.toLocaleDateString(LOCALE, { day: 'numeric', month: 'long', year: 'numeric' });
}

export function longDate(date: Date): string {
  return date.toLocaleString(LOCALE, { dateStyle: 'medium', timeStyle: 'short' });
}

export function minutesWords(minutes: number): string {
  return minutes > 0 && minutes < 0.75 ? say.halfAMin() : say.min({ minutes: halves(minutes) });
}

/** Minutes as the sheet, the phone and the week have them: to the half. */
function halves(minutes: number): number {
  return Math.round(2 * minutes) / 2;
}

/** To begin a sentence with what stands inside one. */
export function upperFirst(words: string): string {
  return `${words.charAt(0).toLocaleUpperCase(LOCALE)}${words.slice(1)}`;
}

/** How much it hurt, where that was said. */
export function painSaid(pain: number): string {
  return pain > 0 ? say.of10({ pain }) : say.howMuchWasNotSaid();
}

/** 1st, 2nd, 3rd. */
export function ordinal(number: number): string {
  return say.ordinal({ number });
}
