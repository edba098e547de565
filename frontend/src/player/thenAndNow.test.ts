import { expect, test } from 'vitest';

import { signChanges, thenAndNow } from './thenAndNow';

const rows = [
  { evidence: 'tip.gives', label: '', change: '', grades: [null, 3, 1], fingers: [[], [4], [4]] },
  { evidence: 'wrist.caved', label: '', change: '', grades: [2, 0, null], fingers: [[], [], []] },
  { evidence: 'web.closed', label: '', change: '', grades: [0, null, 2], fingers: [[], [], []] },
  { evidence: 'jaw.clamps', label: '', change: '', grades: [0, 0, 0], fingers: [[], [], []] },
  { evidence: 'hold.slips', label: '', change: '', grades: [3, null, null], fingers: [[], [], []] },
];

test('each sign is taken where it was seen first and where it was seen last', () => {
  expect(thenAndNow(rows)).toEqual({
    then: 'hold.slips:3,tip.gives:3:4,wrist.caved:2',
    now: 'hold.slips:3,tip.gives:1:4,web.closed:2',
  });
  expect(thenAndNow([])).toEqual({ then: '', now: '' });
});

test('only what was looked at twice and ever showed is told as a change, with its last look', () => {
  expect(
    signChanges(rows).map(({ evidence, then, now, lastSeen }) => [evidence, then, now, lastSeen]),
  ).toEqual([
    ['tip.gives', 3, 1, 2],
    ['wrist.caved', 2, 0, 1],
    ['web.closed', 0, 2, 2],
  ]);
});

test('of equal changes the one that was worse comes first, whatever their order', () => {
  const sign = (evidence: string, then: number, now: number) => ({
    evidence,
    label: '',
    change: '',
    grades: [then, now],
    fingers: [[], []],
  });
  const signs = [
    sign('a', 0, 1),
    sign('b', 3, 1),
    sign('c', 1, 0),
    sign('d', 1, 3),
    sign('e', 3, 3),
  ];
  const order = ['b', 'd', 'c', 'a', 'e'];
  expect(signChanges(signs).map((each) => each.evidence)).toEqual(order);
  expect(signChanges(signs.toReversed()).map((each) => each.evidence)).toEqual(order);
});
