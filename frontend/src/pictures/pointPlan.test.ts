import { expect, test } from 'vitest';

import { ofWhat, ON_PICTURES, ownError, unitOf, wantedPoints } from './pointPlan';

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

test('a gap lies between two neighbours, the last two for the fourth', () => {
  expect(ofWhat('gap', 2)).toBe('2-3');
  expect(ofWhat('gap', 4)).toBe('3-4');
  expect(wantedPoints('gap', 4).map((each) => each.name)).toEqual([
    '3.base',
    '3.tip',
    '4.base',
    '4.tip',
  ]);
  expect([ofWhat('tip_angle', 3), ofWhat('wrist_line', 3)]).toEqual(['3', 'hand']);
});

test('no measure asks for the same point twice, and each says what it is', () => {
  for (const kind of [...ON_PICTURES, 'span'] as const) {
    const names = wantedPoints(kind, 4).map((each) => each.name);
    expect(new Set(names).size, kind).toBe(names.length);
    expect(unitOf(kind)).not.toBe('');
  }
});

test('two takings of the same tell the error of one', () => {
  expect(ownError(10, 13)).toBeCloseTo(2.12, 2);
  expect(ownError(7, 7)).toBe(0);
});

test.each([
  ['middle_angle', ['4.base', '4.middle', '4.tip_joint', 'string.a', 'string.b']],
  ['base_height', ['4.base', '4.middle', 'string.a', 'string.b']],
  ['wrist_line', ['elbow', 'wrist', '2.base', '2.middle', 'string.a', 'string.b']],
  ['thumb_opening', ['thumb.base', 'thumb.joint', '1.base']],
  ['elbow_offset', ['1.base', '4.base', 'elbow']],
] as const)('%s is measured from its own points', (kind, names) => {
  expect(wantedPoints(kind, 4).map((each) => each.name)).toEqual(names);
});

test('the points of a gap say of which finger they are', () => {
  expect(wantedPoints('gap', 2).map((each) => each.words)).toEqual([
    'the base knuckle of the second finger',
    'the tip of the second finger',
    'the base knuckle of the third finger',
    'the tip of the third finger',
  ]);
});
