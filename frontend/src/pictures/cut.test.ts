import { expect, test, vi } from 'vitest';

import { blobOf, cutAround, inCut } from './cut';

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

const CUT = { x: 90, y: 90, width: 50, height: 40 };

test.each([
  [90, 90, true],
  [140, 130, true],
  [89, 100, false],
  [141, 100, false],
  [100, 89, false],
  [100, 131, false],
])('a point at %d, %d lies in the cut: %s', (x, y, lies) => {
  expect(Object.keys(inCut([{ name: 'p', x, y }], CUT, 1))).toEqual(lies ? ['p'] : []);
});

test.each([
  [800, 400, 1, [800, 400]],
  [4800, 1200, 0.25, [1200, 300]],
])('a cut of %d by %d is kept at a scale of %d', async (width, height, scale, size) => {
  const drawn: unknown[] = [];
  const canvas = {
    width: 0,
    height: 0,
    getContext: () => ({ drawImage: (...told: unknown[]) => drawn.push(told) }),
    toBlob: (done: (blob: unknown) => void) => done('blob'),
  };
  vi.stubGlobal('document', { createElement: () => canvas });
  const picture = { image: 'image' } as unknown as Parameters<typeof blobOf>[0];
  const made = await blobOf(picture, { x: 1, y: 2, width, height });
  expect(made).toEqual({ blob: 'blob', scale });
  expect([canvas.width, canvas.height]).toEqual(size);
  expect(drawn).toEqual([['image', 1, 2, width, height, 0, 0, ...size]]);
  canvas.toBlob = (done) => done(null);
  await expect(blobOf(picture, { x: 1, y: 2, width, height })).rejects.toThrow('could not write');
  vi.unstubAllGlobals();
});
