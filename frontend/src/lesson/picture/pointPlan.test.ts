import { expect, test } from 'vitest';

import { isFromPicture } from './fromPicture';
import { ownError, wantedPoints } from './pointPlan';

test('a joint takes three touches, and two more on the string tell which way it bends', () => {
  expect(wantedPoints('tip_angle', 3).map((each) => each.name)).toEqual([
    '3.middle',
    '3.tip_joint',
    '3.tip',
    'string.a',
    'string.b',
  ]);
  expect(wantedPoints('middle_angle', 4)[0]?.name).toBe('4.base');
  expect(wantedPoints('elbow_offset', 4)).toHaveLength(3);
});

test('only angles and the elbow come from a picture', () => {
  expect(isFromPicture('tip_angle')).toBe(true);
  expect(isFromPicture('hold_seconds')).toBe(false);
  expect(isFromPicture(null)).toBe(false);
});

test('two takings of the same tell the error of one', () => {
  expect(ownError(10, 13)).toBeCloseTo(2.12, 2);
  expect(ownError(7, 7)).toBe(0);
});
