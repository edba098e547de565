import { expect, test } from 'vitest';

import { signsOf } from './signs';

test('signs are told finger by finger, only those that are there, in one order', () => {
  const findings = {
    'wrist.caved': { grade: 2, by_finger: {} },
    'tip.gives': { grade: 3, by_finger: { '4': 3, '1': 0, '3': 1 } },
    'web.closed': { grade: 0, by_finger: {} },
  };
  expect(signsOf(findings)).toBe('tip.gives:1:3,tip.gives:3:4,wrist.caved:2');
  expect(signsOf({})).toBe('');
});
