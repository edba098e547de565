import { expect, test } from 'vitest';

import type { KeptEntry } from '../outbox/entry';
import { type DayLog, dayNumber, isStop, itemsOn, type Week, weekNow } from './weekNow';

const dose = (minutes: number) => ({ dose: '', minutes, reps: 1, sets: 1, seconds: 1, cues: [] });
const item = (exercise: string, rests_with: string[], eased: ReturnType<typeof dose> | null) => ({
  exercise,
  name: exercise,
  planned: [1, 2, 3],
  is_apart: false,
  ...dose(6),
  rests_with,
  eased,
  shortened: dose(4),
});
const WEEK = {
  given_on: '2026-03-04',
  today: '2026-03-05',
  paused: false,
  eased: false,
  given_eased: false,
  sore: [],
  days: [],
  items: [item('taps', ['thumb', 'hand'], dose(3)), item('arch', ['fingers'], null)],
} as unknown as Week;

function logged(pain: number, place: string): KeptEntry[] {
  const value = {
    date: '2026-03-05',
    done: 'done',
    felt: 'soft',
    pain,
    place,
    signs: [],
    later: null,
  };
  return [{ clientKey: 'a', kind: 'day', key: value.date, value, channel: 'home/x' }] as never;
}

test.each([
  ['nothing hurts', logged(0, ''), [6, 6], []],
  ['a place that the first loads', logged(2, 'thumb'), [], ['taps', 'arch']],
  ['a place that neither loads', logged(2, 'neck'), [3], ['arch']],
  ['nobody said where', logged(1, ''), [3], ['arch']],
  ['sore skin', logged(2, 'skin'), [4, 4], []],
])('%s: what is left of the week at once', (_, entries, minutes, resting) => {
  const now = weekNow(WEEK, entries, '2026-03-05');
  expect(now.items.map((each) => each.minutes)).toEqual(minutes);
  expect(now.resting).toEqual(resting);
  expect(now.stopped).toBe(false);
});

test('what the server knows to hurt rests too, whoever logged it', () => {
  const now = weekNow({ ...WEEK, eased: true, sore: ['hand'] }, [], '2026-03-06');
  expect(now.items).toEqual([]);
});

const log = (more: Partial<DayLog>): DayLog =>
  ({
    date: '2026-03-05',
    done: 'done',
    felt: 'soft',
    pain: 0,
    place: '',
    hurt: '',
    signs: [],
    later: null,
    ...more,
  }) as DayLog;
const sent = (kind: string, key: string, value: unknown): KeptEntry =>
  ({ clientKey: `${kind} ${key}`, kind, key, value, channel: 'home/x' }) as never;

test.each([
  ['pain of four', { pain: 4 }, true],
  ['pain of three', { pain: 3 }, false],
  ['a sign without pain', { pain: 0, signs: ['numbness'] }, true],
  ['nothing', {}, false],
])('%s stops the week until somebody was asked: %j %s', (_, more, stops) => {
  expect(isStop(log(more as Partial<DayLog>))).toBe(stops);
  const now = weekNow(
    WEEK,
    [sent('day', '2026-03-05', log(more as Partial<DayLog>))],
    '2026-03-05',
  );
  expect([now.stopped, now.unheard]).toEqual([stops, stops]);
});

test('a stop of the teacher’s side stops without anything logged here, and is heard of', () => {
  const now = weekNow({ ...WEEK, paused: true }, [], '2026-03-05');
  expect([now.stopped, now.unheard]).toEqual([true, false]);
});

test('pain that was still there later stops; that it was gone does not', () => {
  const days = [log({ pain: 2, place: 'thumb' })];
  const later = (told: string[]) =>
    weekNow({ ...WEEK, days }, [sent('later', '2026-03-05', told)], '2026-03-06');
  expect(later(['night']).stopped).toBe(true);
  expect(later([]).stopped).toBe(false);
  expect(later(['night']).days).toEqual([{ ...days[0], later: ['night'] }]);
  const other = sent('later', '2026-03-04', ['night']);
  expect(weekNow({ ...WEEK, days }, [other], '2026-03-06').days).toEqual(days);
  expect(weekNow({ ...WEEK, days }, [sent('take', '2026-03-05', [])], '2026-03-06').days).toEqual(
    days,
  );
});

test('a day logged anew takes the place of what was told of it', () => {
  const days = [log({ date: '2026-03-05', pain: 2 }), log({ date: '2026-03-04' })];
  const anew = sent('day', '2026-03-05', log({ date: '2026-03-05', done: 'not' }));
  const now = weekNow({ ...WEEK, days }, [anew], '2026-03-06');
  expect(now.days.map((day) => [day.date, day.done])).toEqual([
    ['2026-03-04', 'done'],
    ['2026-03-05', 'not'],
  ]);
});

test.each([
  ['a day before with pain', { pain: 2, date: '2026-03-05' }, '2026-03-06', '2026-03-05'],
  ['a touch on “it hurts” alone', { hurt: 'open', date: '2026-03-05' }, '2026-03-06', '2026-03-05'],
  ['today, it is too early', { pain: 2, date: '2026-03-06' }, '2026-03-06', null],
  ['it was answered', { pain: 2, later: ['rest'] }, '2026-03-06', null],
  ['nothing hurt', { pain: 0 }, '2026-03-06', null],
])('asks whether it was there later: %s', (_, more, today, asks) => {
  const now = weekNow({ ...WEEK, days: [log(more as Partial<DayLog>)] }, [], today);
  expect(now.asksAbout).toBe(asks);
});

test.each([
  ['nothing', {}, false],
  ['the week was given so', { eased: true }, true],
  ['it hurt on a day', { days: [log({ pain: 1, place: 'neck' })] }, true],
  ['sore skin on a day is ordinary', { days: [log({ pain: 1, place: 'skin' })] }, false],
  ['a place that hurts still', { sore: ['wrist'] }, true],
  ['skin that is sore still', { sore: ['skin'] }, false],
])('eases off: %s', (_, more, eased) => {
  expect(weekNow({ ...WEEK, ...more }, [], '2026-03-05').eased).toBe(eased);
});

test('what was logged on this phone hurts at once, what came from elsewhere by the server’s word', () => {
  const days = [log({ date: '2026-03-05', pain: 2, place: 'thumb' })];
  expect(weekNow({ ...WEEK, days }, [], '2026-03-06').sore).toEqual([]);
  const here = sent('day', '2026-03-05', days[0]);
  expect(weekNow({ ...WEEK, sore: ['neck'] }, [here], '2026-03-06').sore).toEqual([
    'neck',
    'thumb',
  ]);
  expect(weekNow(WEEK, [sent('later', '2026-03-05', [])], '2026-03-06').sore).toEqual([]);
});

test('the days of an exercise are dates, those that were missed go on, and one that was done does not', () => {
  const daysOf = (days: DayLog[], today: string) =>
    weekNow({ ...WEEK, days }, [], today).items.map((each) => each.days);
  expect(daysOf([], '2026-03-05')[0]).toEqual(['2026-03-05', '2026-03-06', '2026-03-07']);
  const done = [log({ date: '2026-03-05', done: 'done' })];
  const missed = [log({ date: '2026-03-05', done: 'not' })];
  expect(daysOf(done, '2026-03-06')).not.toEqual(daysOf(missed, '2026-03-06'));
  expect(dayNumber('2026-03-28', '2026-03-30')).toBe(2);
});

test('on the day of the lesson all of it is there, later what the day holds', () => {
  const now = weekNow(
    { ...WEEK, items: WEEK.items.map((each, at) => ({ ...each, planned: [at + 1] })) },
    [],
    '2026-03-04',
  );
  expect(itemsOn(now, '2026-03-04')).toHaveLength(2);
  expect(itemsOn(now, '2026-03-05').map((each) => each.exercise)).toEqual(['taps']);
  expect(itemsOn(now, '2026-03-09')).toEqual([]);
});

test('a week that was kept by an earlier version has what it did not tell yet, and keeps what it told', () => {
  const bare = weekNow(WEEK, [], '2026-03-05');
  expect([bare.one_thing, bare.reader]).toEqual([null, 'teen']);
  expect(bare.items[0]).toMatchObject({ lines: [], finger_words: '' });
  expect(bare.items[0]?.brief).toBeDefined();
  const told = {
    ...WEEK,
    reader: 'child',
    one_thing: { say: 'Soft.' },
    items: WEEK.items.map((each) => ({
      ...each,
      lines: ['one'],
      finger_words: 'finger 4',
      brief: { steps: ['a'], feel: 'b', stop: 'c' },
    })),
  } as unknown as Week;
  const whole = weekNow(told, [], '2026-03-05');
  expect([whole.one_thing, whole.reader]).toEqual([{ say: 'Soft.' }, 'child']);
  expect(whole.items[0]).toMatchObject({
    lines: ['one'],
    finger_words: 'finger 4',
    brief: { steps: ['a'], feel: 'b', stop: 'c' },
  });
});
