// The drawings show a left hand: scroll, thumb and first finger on one side, thick string by the thumb.
import { renderToStaticMarkup } from 'react-dom/server';
import { expect, test } from 'vitest';

import { ShoulderArt } from './ShoulderArt';
import { SHOULDER_FINGERS, type Spot, spotsOf, STANDING_FINGERS } from './spots';
import { StandingArt } from './StandingArt';

interface DrawnString {
  width: number;
  x: number;
  y: number;
}

function drawnStrings(markup: string): DrawnString[] {
  const found = [
    ...markup.matchAll(
      /<path class="[^"]*string[^"]*" stroke-width="([\d.]+)" d="M([\d.]+) ([\d.]+)/g,
    ),
  ];
  return found.map(([, width, x, y]) => ({ width: Number(width), x: Number(x), y: Number(y) }));
}

function place(spots: Spot[], name: string): Spot {
  const found = spots.find((spot) => spot.place === name);
  if (!found) throw new Error(`no place ${name}`);
  return found;
}

const falling = (values: number[]) => values.every((v, i) => i === 0 || v > (values[i - 1] ?? v));

test('at the shoulder: scroll, thumb, first to fourth finger from left to right', () => {
  const spots = spotsOf('shoulder');
  const fingers = [1, 2, 3, 4].map((finger) => SHOULDER_FINGERS[finger]?.tip[0] ?? 0);
  expect(falling([place(spots, 'scroll').x, place(spots, 'thumb').x, ...fingers])).toBe(true);
});

test('at the shoulder the thickest string lies nearest the thumb', () => {
  const strings = drawnStrings(renderToStaticMarkup(<ShoulderArt />));
  expect(strings).toHaveLength(4);
  const byHeight = [...strings].sort((a, b) => a.y - b.y);
  expect(falling(byHeight.map((each) => each.width))).toBe(true);
  const thumbJoint = place(spotsOf('shoulder'), 'web');
  expect(thumbJoint.y).toBeGreaterThan(Math.max(...strings.map((each) => each.y)));
});

test('standing: first to fourth finger from the scroll down, thick string on the left', () => {
  const fingers = [1, 2, 3, 4].map((finger) => STANDING_FINGERS[finger]?.tip[1] ?? 0);
  expect(falling(fingers)).toBe(true);
  const strings = drawnStrings(renderToStaticMarkup(<StandingArt />));
  const fromRight = [...strings].sort((a, b) => b.x - a.x);
  expect(falling(fromRight.map((each) => each.width))).toBe(true);
});
