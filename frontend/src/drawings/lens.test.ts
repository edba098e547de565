import { describe, expect, it } from 'vitest';

import { ringOf } from './lens';

const frame = (...paths: [string, string][]) => ({
  width: 320,
  height: 268,
  paths: paths.map(([kind, d]) => ({ kind, d, width: null })),
});

describe('the ring around what differs', () => {
  it('lies where the hand moved and leaves out what stays', () => {
    const stays: [string, string] = ['line', 'M10 10L20 10'];
    const ring = ringOf([
      frame(stays, ['line', 'M200 100L210 110']),
      frame(stays, ['line', 'M205 120L215 130']),
    ]);
    expect(ring.x).toBeCloseTo(207.5);
    expect(ring.y).toBeCloseTo(115);
    expect(ring.radius).toBeCloseTo(64);
  });

  it('stays inside the picture and around the middle where nothing differs', () => {
    const edge = ringOf([frame(['line', 'M0 0L2 2']), frame(['strain', 'M0 0L2 2'])]);
    expect([edge.x, edge.y]).toEqual([64, 64]);
    const alike = ringOf([frame(['line', 'M0 0L2 2']), frame(['line', 'M0 0L2 2'])]);
    expect([alike.x, alike.y]).toEqual([160, 134]);
  });

  it('does not follow the instrument', () => {
    const ring = ringOf([frame(['board', 'M0 0L9 9']), frame(['board', 'M100 0L109 9'])]);
    expect(ring.x).toBe(160);
  });
});
