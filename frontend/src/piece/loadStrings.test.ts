import { describe, expect, it } from 'vitest';

import { type BarBox, loadStrings, systemsOf } from './loadStrings';

const bar = (left: number, foot = 100): BarBox => ({
  left,
  right: left + 100,
  top: foot - 40,
  foot,
});
const BARS = [bar(50), bar(150), bar(250), bar(50, 250), bar(150, 260)];

/** How thick the outline is at an x that is one of its points. */
function thickness(path: string, x: number): number {
  const points = [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((found) =>
    found.slice(1).map(Number),
  );
  const ys = points
    .filter((point) => Math.abs((point[0] ?? 0) - x) < 0.1)
    .map((point) => point[1] ?? 0);
  return Math.max(...ys) - Math.min(...ys);
}

describe('the load of a passage', () => {
  it('begins anew with each system', () => {
    expect(systemsOf(BARS)).toEqual([
      [0, 1, 2],
      [3, 4],
    ]);
  });

  it('is thickest under the heaviest bar and a hair under one without load', () => {
    const [first = '', second = ''] = loadStrings(BARS, [0, 1, 0.5, 0, 0.2]);
    const middles = [100, 200, 300].map((x) => thickness(first, x));
    expect(middles[1]).toBeGreaterThan(middles[2] ?? 0);
    expect(middles[2]).toBeGreaterThan(middles[0] ?? 0);
    expect(middles[0]).toBeLessThan(3);
    expect(second).not.toContain('NaN');
  });

  it('lies below every staff of its system', () => {
    const [, second = ''] = loadStrings(BARS, [0, 0, 0, 0, 0]);
    const ys = [...second.matchAll(/-?[\d.]+ (-?[\d.]+)/g)].map((found) => Number(found[1]));
    expect(Math.min(...ys)).toBeGreaterThan(260);
  });

  it('is nothing without bars', () => {
    expect(loadStrings([], [])).toEqual([]);
  });
});
