import { expect, test } from 'vitest';

import { difference, firstAndLast, told } from './pictureWords';

function kept(name: string, value: number, more = {}) {
  return {
    name,
    date: '2026-03-04',
    measure: 'tip_angle',
    finger: 4,
    words: '',
    width: 600,
    height: 400,
    points: {},
    angles: [{ measure: 'tip_angle', of: '4', value, uncertainty: 1, may_be_off: 0 }],
    ...more,
  };
}

test('a picture says what was measured, on which finger, with a true minus', () => {
  expect(told(kept('a', -12.5))).toBe('Fingertip joint, finger 4: −12.5 degrees');
  expect(told(kept('a', 1, { measure: '' }))).toBe('');
  expect(told(kept('a', 1, { angles: [] }))).toBe('Fingertip joint, finger 4');
});

test('the first and the newest of what was measured last stand side by side', () => {
  const wrist = { measure: 'wrist_line', finger: null };
  expect(firstAndLast([])).toEqual([]);
  expect(firstAndLast([kept('a', 1)])).toEqual(['a']);
  expect(firstAndLast([kept('a', 1), kept('w', 1, wrist), kept('b', 2)])).toEqual(['a', 'b']);
  expect(firstAndLast([kept('a', 1), kept('w', 1, wrist)])).toEqual(['a', 'w']);
});

test('a difference is said in words of that joint, and only between the same joints', () => {
  expect(difference(kept('a', -26), kept('b', -7))).toBe('19 degrees rounder than on the first.');
  expect(difference(kept('a', 5), kept('b', 5))).toBe('No difference.');
  expect(difference(kept('a', 5), kept('b', 9, { finger: 3 }))).toBe('');
});
