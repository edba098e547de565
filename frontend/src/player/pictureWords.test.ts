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

test('the angle is that of the very joint and finger', () => {
  const angle = (measure: string, of: string, value: number) => ({
    measure,
    of,
    value,
    uncertainty: 1,
    may_be_off: 0,
  });
  const angles = [
    angle('middle_angle', '4', 1),
    angle('tip_angle', '3', 2),
    angle('tip_angle', '4', 3),
  ];
  expect(told(kept('a', 0, { angles }))).toBe('Fingertip joint, finger 4: 3 degrees');
  expect(told(kept('a', 0, { angles, finger: 3 }))).toBe('Fingertip joint, finger 3: 2 degrees');
  expect(told(kept('a', 0, { measure: 'wrist_line', finger: null, angles: [] }))).toBe(
    'Line of the wrist',
  );
  expect(told(kept('a', 0, { measure: 'wrist_line', finger: 2, angles: [] }))).toBe(
    'Line of the wrist',
  );
});

test('side by side stand pictures of the same measure and finger', () => {
  const other = { finger: 3 };
  const joint = { measure: 'middle_angle' };
  expect(
    firstAndLast([kept('x', 1, other), kept('a', 1), kept('y', 1, joint), kept('b', 1)]),
  ).toEqual(['a', 'b']);
});

test('a difference needs both angles, and says which way', () => {
  expect(difference(kept('a', -7), kept('b', -26))).toBe('19 degrees flatter than on the first.');
  expect(difference(kept('a', 1, { angles: [] }), kept('b', 1))).toBe('');
  expect(difference(kept('a', 1), kept('b', 1, { angles: [] }))).toBe('');
  const angles = [{ measure: 'middle_angle', of: '4', value: 9, uncertainty: 1, may_be_off: 0 }];
  expect(difference(kept('a', 5), kept('b', 9, { measure: 'middle_angle', angles }))).toBe('');
});
