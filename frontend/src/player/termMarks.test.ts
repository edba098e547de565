import { describe, expect, it } from 'vitest';

import { markAt, nextMark } from './termMarks';

const box = (x: number, y: number, width = 20, height = 20) => ({ x, y, width, height });
// Two strings of three lessons, and a stretch of work below the first.
const MARKS = [
  box(0, 0),
  box(100, 0),
  box(200, 0),
  box(0, 30, 220, 10),
  box(0, 100),
  box(100, 100),
  box(200, 100),
];

describe('a touch on the picture', () => {
  it('takes the smallest mark that holds it, else the nearest in reach', () => {
    expect(markAt(MARKS, 110, 10)).toBe(1);
    expect(markAt(MARKS, 110, 35)).toBe(3);
    expect(markAt([...MARKS, box(90, -20, 60, 60)], 110, 10)).toBe(1);
    expect(markAt(MARKS, 130, 110)).toBe(5);
  });

  it('takes nothing far away', () => {
    expect(markAt(MARKS, 500, 500)).toBeNull();
    expect(markAt([], 0, 0)).toBeNull();
  });
});

describe('arrow keys', () => {
  it.each([
    [null, 'ArrowRight', 0],
    [0, 'ArrowRight', 1],
    [1, 'ArrowLeft', 0],
    [1, 'ArrowDown', 3],
    [4, 'ArrowUp', 0],
    [5, 'ArrowRight', 6],
    [2, 'ArrowRight', null],
    [0, 'a', null],
  ])('from %j by %s to %j', (at, key, to) => {
    expect(nextMark(MARKS, at, key)).toBe(to);
  });
});
