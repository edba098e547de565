import type { Schemas } from '../api/client';
import * as say from '../messages/compiled/player';

type Term = Schemas['TermOut'];

/** The sentence of the page: what is so now, and below it what is better. */
export function headlineOf(term: Term, isStopped: boolean): [string, string] {
  if (isStopped) return [say.theWeekRests(), term.better || term.stuck];
  if (term.next === null) return [say.nothingIsKnownYet(), say.thePictureBeginsWithA()];
  if (term.stuck) return [term.stuck, term.better];
  return [term.better || say.noClearChangeYet(), ''];
}

const NEXT_WORDS: Record<string, string> = {
  look: say.look(),
  stop: say.askFirst(),
  ease_off: say.easeOff(),
  keep_alive: say.keepItAlive(),
  on_the_way: say.onTheWay(),
  as_expected: say.asExpected(),
  practise: say.practiceFirst(),
  look_again: say.lookAgain(),
};

/** What comes next, and why. */
export function nextWords(term: Term): { title: string; why: string } {
  const { next } = term;
  if (next === null) return { title: say.firstLesson(), why: say.askLookDecideGive() };
  const step = NEXT_WORDS[next.step] ?? say.next();
  const of = next.check ?? next.cause;
  return { title: of ? `${step}: ${of}` : step, why: next.why };
}

/** What stands beside a strand: how it is, since when, and after what it was less. */
export function stringWords(string: Term['strings'][number]) {
  const [first, ...more] = string.helped;
  const less = first && more.length > 0 ? say.more({ first, count: more.length }) : (first ?? '');
  return { answer: string.answer, since: string.since, less };
}

/** What stands beside a measured number: from what to what, and whether that counts. */
export function measureWords(measure: Term['measures'][number]): [string, string] {
  const numbers = say.toOfFirst({
    first: round(measure.first),
    last: round(measure.last),
    unit: measure.unit,
  });
  if (measure.least === null) return [numbers, measure.answer];
  return [
    numbers,
    say.aChangeCountsFrom({
      answer: measure.answer,
      least: round(measure.least),
      unit: measure.unit,
    }),
  ];
}

export function round(value: number): string {
  return String(Math.round(value * 10) / 10);
}
