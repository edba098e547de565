import type { Schemas } from '../api/client';

type Term = Schemas['TermOut'];

/** The sentence of the page: what is so now, and below it what is better. */
export function headlineOf(term: Term, isStopped: boolean): [string, string] {
  if (isStopped) return ['The week rests.', term.better || term.stuck];
  if (term.next === null) return ['Nothing is known yet.', 'The picture begins with a lesson.'];
  if (term.stuck) return [term.stuck, term.better];
  return [term.better || 'No clear change yet.', ''];
}

const NEXT_WORDS: Record<string, string> = {
  look: 'Look',
  stop: 'Ask first',
  ease_off: 'Ease off',
  keep_alive: 'Keep it alive',
  on_the_way: 'On the way',
  as_expected: 'As expected',
  practise: 'Practice first',
  look_again: 'Look again',
};

/** What comes next, and why. */
export function nextWords(term: Term): { title: string; why: string } {
  const { next } = term;
  if (next === null) return { title: 'First lesson', why: 'ask, look, decide, give' };
  const step = NEXT_WORDS[next.step] ?? 'Next';
  const of = next.check ?? next.cause;
  return { title: of ? `${step}: ${of}` : step, why: next.why };
}

/** What stands beside a strand: how it is, since when, and after what it was less. */
export function stringWords(string: Term['strings'][number]) {
  const [first, ...more] = string.helped;
  const others = more.length > 0 ? `; ${more.length} more` : '';
  return { answer: string.answer, since: string.since, less: first ? `${first}${others}` : '' };
}

/** What stands beside a measured number: from what to what, and whether that counts. */
export function measureWords(measure: Term['measures'][number]): [string, string] {
  const numbers = `${round(measure.first)} to ${round(measure.last)} ${measure.unit}`;
  if (measure.least === null) return [numbers, measure.answer];
  return [
    numbers,
    `${measure.answer}: a change counts from ${round(measure.least)}\u00a0${measure.unit}`,
  ];
}

export function round(value: number): string {
  return String(Math.round(value * 10) / 10);
}
