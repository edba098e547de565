// Fixed words of the screen, in one place.

import type { Schemas } from '../api/client';

export const GRADE_WORDS = ['not there', 'slight', 'clear', 'strong'] as const;
const TRIAL_WORDS = ['no help', 'a little', 'clearly', 'at once'] as const;

export const STAGE_WORDS: Record<string, string> = {
  setup: 'Set-up',
  hand: 'Hand alone',
  placed: 'Hand on the neck, silent',
  down: 'Fingers down, silent',
  slow: 'Slow playing',
  fast: 'Fast or hard playing',
  after: 'Afterwards',
  trial: 'Try one thing',
};

export const INSTRUMENT_WORDS: Record<string, string> = {
  vn: 'violin',
  va: 'viola',
  vc: 'cello',
  db: 'double bass',
};

/** At the shoulder, so that it can fall. */
export function isHeldUp({ instrument }: { instrument: string }): boolean {
  return instrument === 'vn' || instrument === 'va';
}

/** For which instruments, in the order of their size; '' where it is for all. */
export function instrumentsWords(instruments: readonly string[]): string {
  const known = Object.keys(INSTRUMENT_WORDS).filter((each) => instruments.includes(each));
  if (known.length === Object.keys(INSTRUMENT_WORDS).length) return '';
  return known.map((each) => INSTRUMENT_WORDS[each]).join(', ');
}

export const MOVE_WORDS: Record<string, string> = {
  'go on': 'Go on',
  stay: 'Stay',
  'step back': 'Step back',
  rest: 'Rest',
  'look again': 'Look again',
};

const LESSON_KINDS: Record<Schemas['EntryIn']['kind'], string> = {
  observation: 'Grade',
  reports: 'Answers',
  again: 'Answer about last time',
  complaint: 'Complaint',
  complaint_finger: 'Finger of the complaint',
  skip: 'Skipped check',
  cause: 'Word on a cause',
  result: 'Last week’s result',
  order: 'Order of looking',
  break: 'Break',
  practised: 'Days practised',
  disliked: 'Dislike',
  harder: 'Harder piece',
  fit: 'Fit judged',
  line: 'Line on the sheet',
  one_thing: 'One thing of the week',
  home_take: 'Take at home',
  focus: 'Focus',
  plan: 'Plan',
};

/** Kinds of entries, as they are called when they wait or were not taken. */
export const KIND_WORDS: Record<string, string> = {
  ...LESSON_KINDS,
  grade: 'Grade in class',
  rest: 'Rest of the class',
};

export function gradeWord(grade: number, isTrial = false): string {
  return (isTrial ? TRIAL_WORDS : GRADE_WORDS)[grade] ?? '';
}

export function shortDate(iso: string): string {
  return new Date(`${iso}T12:00:00`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
  });
}

/** Short name of the weekday that lies `days` after a date. */
export function weekday(from: string, days = 0): string {
  const date = new Date(`${from}T12:00:00`);
  date.setDate(date.getDate() + days);
  return date.toLocaleDateString('en-GB', { weekday: 'short' });
}

export function longDay(date: Date): string {
  return date.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
}

export function longDate(date: Date): string {
  return date.toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
}

export function minutesWords(minutes: number): string {
  return minutes > 0 && minutes < 0.75 ? 'half a min' : `${halves(minutes)} min`;
}

/** Minutes as the sheet, the phone and the week have them: to the half. */
function halves(minutes: number): number {
  return Math.round(2 * minutes) / 2;
}

export function upperFirst(words: string): string {
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
}

/** How much it hurt, where that was said. */
export function painSaid(pain: number): string {
  return pain > 0 ? `${pain} of 10` : 'how much was not said';
}

const ORDINALS = new Intl.PluralRules('en', { type: 'ordinal' });
const ENDINGS: Record<string, string> = { one: 'st', two: 'nd', few: 'rd', other: 'th' };

/** 1st, 2nd, 3rd. */
export function ordinal(number: number): string {
  return `${number}${ENDINGS[ORDINALS.select(number)] ?? ''}`;
}
