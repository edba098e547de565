// Which points a measure needs, in the order in which they are touched, and what to say for each.

import type { PictureMeasure } from './fromPicture';

export interface Wanted {
  name: string;
  words: string;
}

const STRING: Wanted[] = [
  { name: 'string.a', words: 'the string under the finger, on its one side' },
  { name: 'string.b', words: 'the same string, on its other side' },
];

/** Joints first; the string tells which way the finger bends. */
export function wantedPoints(measure: PictureMeasure, finger: number): Wanted[] {
  switch (measure) {
    case 'tip_angle':
      return [
        { name: `${finger}.middle`, words: 'the middle joint' },
        { name: `${finger}.tip_joint`, words: 'the fingertip joint' },
        { name: `${finger}.tip`, words: 'the tip' },
        ...STRING,
      ];
    case 'middle_angle':
      return [
        { name: `${finger}.base`, words: 'the base knuckle' },
        { name: `${finger}.middle`, words: 'the middle joint' },
        { name: `${finger}.tip_joint`, words: 'the fingertip joint' },
        ...STRING,
      ];
    case 'elbow_offset':
      return [
        { name: '1.base', words: 'the base knuckle of the first finger' },
        { name: '4.base', words: 'the base knuckle of the fourth finger' },
        { name: 'elbow', words: 'the elbow' },
      ];
  }
}

/** The error of one's own hand from two takings of the same: their difference over the root of
 * two, which is the standard error of measurement of a single taking. */
export function ownError(one: number, two: number): number {
  return Math.abs(one - two) / Math.SQRT2;
}
