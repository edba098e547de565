import { expect, test } from 'vitest';

import type { KeptEntry } from '../outbox/entry';
import { type Week, weekNow } from './weekNow';

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
