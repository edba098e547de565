import { expect, test } from 'vitest';

import { afterFingers, toggled } from './fingers';

test('the arrows go from finger to finger and end at all', () => {
  expect(afterFingers([], 1)).toEqual([1]);
  expect(afterFingers([1], 1)).toEqual([2]);
  expect(afterFingers([4], 1)).toEqual([1, 2, 3, 4]);
  expect(afterFingers([1, 2, 3, 4], 1)).toEqual([1, 2, 3, 4]);
  expect(afterFingers([1, 2, 3, 4], -1)).toEqual([4]);
  expect(afterFingers([], -1)).toEqual([1, 2, 3, 4]);
});

test('a touch adds a finger or takes it away', () => {
  expect(toggled([3], 1)).toEqual([1, 3]);
  expect(toggled([1, 3], 3)).toEqual([1]);
});
