// Where pictures of one check differ: a ring is laid around that, so that its four grades can be told
// apart at a glance.

import type { Schemas } from '../api/client';

type Frame = Pick<Schemas['FrameOut'], 'width' | 'height' | 'paths'>;

export interface Ring {
  x: number;
  y: number;
  radius: number;
}

/** Of the hand itself; neck, board and strings stay where they are. */
const DRAWN = new Set(['line', 'crease', 'nail', 'nail-pale', 'strain', 'hidden']);
/** Shares of a picture's width. */
const LEAST = 0.2;
const MOST = 0.32;
const USUAL = 0.27;
/** Standard deviations of where they differ that the ring holds. */
const HELD = 1.7;

/** The ring around what differs between the first and the last of these pictures; around the middle
 * where they are alike. */
export function ringOf(frames: readonly Frame[]): Ring {
  const first = frames[0];
  const last = frames.at(-1);
  if (!first || !last) return { x: 0, y: 0, radius: 0 };
  const [before, after] = [pointsOf(first), pointsOf(last)];
  const moved = [...differing(before, after), ...differing(after, before)];
  if (moved.length === 0) {
    return { x: first.width / 2, y: first.height / 2, radius: USUAL * first.width };
  }
  const x = mean(moved.map((point) => point[0]));
  const y = mean(moved.map((point) => point[1]));
  const spread = Math.sqrt(mean(moved.map((point) => (point[0] - x) ** 2 + (point[1] - y) ** 2)));
  const radius = clamp(HELD * spread, LEAST * first.width, MOST * first.width);
  return {
    x: clamp(x, radius, first.width - radius),
    y: clamp(y, radius, first.height - radius),
    radius,
  };
}

type Point = readonly [number, number];

function pointsOf(frame: Frame): Map<string, Point> {
  const points = new Map<string, Point>();
  for (const path of frame.paths) {
    if (!DRAWN.has(path.kind)) continue;
    const numbers = (path.d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
    for (let at = 0; at + 1 < numbers.length; at += 2) {
      const point: Point = [numbers[at] ?? 0, numbers[at + 1] ?? 0];
      points.set(`${path.kind} ${Math.round(point[0])} ${Math.round(point[1])}`, point);
    }
  }
  return points;
}

function differing(some: Map<string, Point>, others: Map<string, Point>): Point[] {
  return [...some].filter(([key]) => !others.has(key)).map(([, point]) => point);
}

function mean(values: number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

function clamp(value: number, low: number, high: number): number {
  return Math.min(Math.max(value, low), high);
}
