import { expect, test } from 'vitest';

import { cutAround, inCut } from './cut';

const POINTS = [
  { name: '4.middle', x: 100, y: 100 },
  { name: '4.tip', x: 300, y: 200 },
];

test('the first cut holds what was touched with room around, and no more than there is', () => {
  expect(cutAround(POINTS, { width: 2000, height: 210 })).toEqual({
    x: 30,
    y: 30,
    width: 340,
    height: 180,
  });
});

test('points move and shrink with the cut, and those outside are left behind', () => {
  const cut = { x: 90, y: 90, width: 50, height: 50 };
  expect(inCut(POINTS, cut, 0.5)).toEqual({ '4.middle': [5, 5] });
});
