import { expect, test } from 'vitest';

import { frameAt } from './useFrame';

test('frames go there and back one by one and rest at both ends', () => {
  const seen = Array.from({ length: 14 }, (_, beat) => frameAt(beat, 5));
  expect(seen).toEqual([0, 0, 0, 0, 1, 2, 3, 4, 4, 4, 4, 3, 2, 1]);
  expect(frameAt(14, 5)).toBe(0);
});
