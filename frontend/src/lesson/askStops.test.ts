import { describe, expect, it } from 'vitest';

import type { Lesson } from '../api/client';
import { stopsOf } from './askStops';

const lesson = (more: Partial<Lesson> = {}): Lesson =>
  ({
    weeks_away: null,
    break_weeks: null,
    again: [],
    paper_week: null,
    review: [],
    fit: null,
    complaint: null,
    asked: false,
    reports: {},
    ...more,
  }) as Lesson;

const hurt = {
  key: 'thumb',
  says: 'Last time the thumb, 2 of 10',
  what: 'the thumb, 2 of 10',
  on: '2026-11-22',
  waits: true,
};

describe('what is asked', () => {
  it('is two questions in a first lesson', () => {
    expect(stopsOf(lesson(), '').map((stop) => stop.kind)).toEqual(['complaint', 'body']);
  });

  it('begins with what was told last time, then last week, then today', () => {
    const stops = stopsOf(
      lesson({
        weeks_away: 5,
        again: [{ ...hurt, answer: '' }],
        review: [
          {
            item: 3,
            name: 'Thumb taps',
            rung: 1,
            rungs: 4,
            rung_words: 'one',
            pain: null,
            passed: null,
          },
        ] as unknown as Lesson['review'],
      }),
      '',
    );
    expect(stops.map((stop) => stop.id)).toEqual([
      'break',
      'again thumb',
      'review 3',
      'complaint',
      'body',
    ]);
    expect(stops[1]).toMatchObject({ title: 'The thumb, 2 of 10', done: false });
  });

  it('says the answer where there is one', () => {
    const told = lesson({
      again: [{ ...hurt, answer: 'less' }],
      asked: true,
      reports: { pain: 0 },
      complaint: 'tip.gives',
    });
    const stops = stopsOf(told, 'My finger caves in');
    expect(stops.map((stop) => [stop.line, stop.done])).toEqual([
      ['less', true],
      ['My finger caves in', true],
      ['nothing hurts', true],
    ]);
  });

  it('tells of pain by its number', () => {
    const stops = stopsOf(lesson({ asked: true, reports: { pain: 2 } }), '');
    expect(stops.at(-1)?.line).toBe('pain 2 of 10');
  });
});

describe('what stands beside a question', () => {
  const stop = (more: Partial<Lesson>, kind: string) => {
    const found = stopsOf(lesson(more), '').find((each) => each.kind === kind);
    return found && [found.line, found.done];
  };

  it.each([
    [null, 'played in between?', false],
    [0, 'played', true],
    [5, 'a break', true],
  ])('a break of %s weeks: %s', (said, line, done) => {
    expect(stop({ weeks_away: 5, break_weeks: said }, 'break')).toEqual([line, done]);
  });

  it.each([
    [null, 'no log came home', false],
    [['2026-03-05'], '1 of 3 planned days', true],
  ])('a week on paper: %j', (practised, line, done) => {
    const paper_week = { practised, planned: [1, 2, 3] } as unknown as Lesson['paper_week'];
    expect(stop({ paper_week }, 'days')).toEqual([line, done]);
  });

  const row = { item: 3, name: '', rung: 2, rungs: 4, rung_words: 'both', reason: 'why', move: '' };
  it.each([
    [{ pain: null, passed: null }, 'step 2 of 4: both', false],
    [{ pain: 0, passed: true, move: 'go on' }, 'Go on: why', true],
    [{ pain: 0, passed: false, move: 'stay' }, 'Stay: why', true],
    [{ pain: 3, passed: false }, 'it hurt', true],
  ])('an exercise of last week: %j', (more, line, done) => {
    const review = [{ ...row, ...more }] as unknown as Lesson['review'];
    expect(stop({ review }, 'review')).toEqual([line, done]);
  });

  it.each([
    ['', false],
    ['helped', true],
  ])('a change of fit, judged %j', (judged, done) => {
    const fit = { date: '2026-03-04', change: 'pad', judged } as unknown as Lesson['fit'];
    expect(stop({ fit }, 'fit')).toEqual(['4 Mar', done]);
  });

  it.each([
    [{ asked: false }, 'not asked yet', false],
    [{ asked: true, reports: { pain: 0 } }, 'nothing hurts', true],
    [{ asked: true, reports: { pain: 0, numbness: true } }, 'told', true],
    [{ asked: true, reports: { pain: 3 } }, 'pain 3 of 10', true],
  ])('the body: %j', (more, line, done) => {
    expect(stop(more as Partial<Lesson>, 'body')).toEqual([line, done]);
  });

  it('the complaint is open until it was said', () => {
    expect(stop({ complaint: null }, 'complaint')?.[1]).toBe(false);
    expect(stop({ complaint: '' }, 'complaint')?.[1]).toBe(true);
  });
});
