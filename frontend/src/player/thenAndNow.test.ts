import { expect, test } from 'vitest';

import { thenAndNow } from './thenAndNow';

test('each sign is taken where it was seen first and where it was seen last', () => {
  const rows = [
    { evidence: 'tip.gives', label: '', change: '', grades: [null, 3, 1], fingers: [[], [4], [4]] },
    { evidence: 'wrist.caved', label: '', change: '', grades: [2, 0, null], fingers: [[], [], []] },
    { evidence: 'web.closed', label: '', change: '', grades: [0, null, 2], fingers: [[], [], []] },
  ];
  expect(thenAndNow(rows)).toEqual({
    then: 'tip.gives:3:4,wrist.caved:2',
    now: 'tip.gives:1:4,web.closed:2',
  });
  expect(thenAndNow([])).toEqual({ then: '', now: '' });
});
