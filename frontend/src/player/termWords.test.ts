import { describe, expect, it } from 'vitest';

import type { Schemas } from '../api/client';
import { headlineOf, measureWords, nextWords, stringWords } from './termWords';

type Term = Schemas['TermOut'];

const term = (more: Partial<Term>): Term => ({
  better: '',
  stuck: '',
  next: { step: 'look', why: 'The thumb would tell.', cause: 'Squeezes', check: null },
  span: 'term',
  spans: [],
  picture: null,
  strings: [],
  measures: [],
  lessons: [],
  practised: 0,
  ...more,
});

describe('the headline', () => {
  it.each([
    ['what is stuck first', { stuck: 'Stuck: a.', better: 'B: gone.' }, ['Stuck: a.', 'B: gone.']],
    ['what is better', { better: 'B: gone.' }, ['B: gone.', '']],
    ['no change where none is told', {}, ['No clear change yet.', '']],
    ['a beginning', { next: null }, ['Nothing is known yet.', 'The picture begins with a lesson.']],
  ])('says %s', (_, more, said) => {
    expect(headlineOf(term(more), false)).toEqual(said);
  });

  it('says the stop before all else, and claims no change that is not told', () => {
    expect(headlineOf(term({ better: 'B: gone.' }), true)).toEqual(['The week rests.', 'B: gone.']);
    expect(headlineOf(term({}), true)).toEqual(['The week rests.', '']);
  });
});

describe('what comes next', () => {
  it('names the cause in the title', () => {
    expect(nextWords(term({}))).toEqual({ title: 'Look: Squeezes', why: 'The thumb would tell.' });
  });

  it('names the check that would tell', () => {
    const next = { step: 'look_again', why: 'It may be back.', cause: 'Squeezes', check: 'Taps' };
    expect(nextWords(term({ next })).title).toBe('Look again: Taps');
  });
});

describe('beside the picture', () => {
  it('counts what else went before', () => {
    const string = { answer: 'gone', since: 'since May', helped: ['Taps', 'Glide', 'Swing'] };
    expect(stringWords(string as Term['strings'][number]).less).toBe('Taps; 2 more');
  });

  it('tells numbers with what counts, where somebody knows it', () => {
    const measure = { label: 'Hold', unit: 's', first: 0.84, last: 6.4, answer: 'better, real' };
    const known = { ...measure, least: 1.4, basis: 'own', note: '' };
    expect(measureWords(known)).toEqual([
      '0.8 to 6.4 s',
      'better, real: a change counts from 1.4\u00a0s',
    ]);
    expect(measureWords({ ...known, least: null })[1]).toBe('better, real');
  });
});
