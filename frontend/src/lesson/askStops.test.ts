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
