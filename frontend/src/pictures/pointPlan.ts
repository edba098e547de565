// What a picture can tell, which points that needs in the order in which they are touched, and what
// to say for each.

import * as say from '../messages/compiled/pictures';
import { FINGER_NAMES } from '../words/ordinals';

export const ON_PICTURES = [
  'tip_angle',
  'middle_angle',
  'base_height',
  'gap',
  'wrist_line',
  'thumb_opening',
  'elbow_offset',
] as const;
export type OnPicture = (typeof ON_PICTURES)[number];
/** The span is no angle: it needs the length of the string. The shape is several angles at once, for
 * two pictures of one hand. */
export type Kind = OnPicture | 'span' | 'shape';

export interface Wanted {
  name: string;
  words: string;
}

const STRING: Wanted[] = [
  { name: 'string.a', words: say.theStringUnderTheFinger() },
  { name: 'string.b', words: say.theSameStringOnIts() },
];

export const KIND_WORDS: Record<OnPicture, string> = {
  tip_angle: say.fingertipJoint(),
  middle_angle: say.middleJoint(),
  base_height: say.heightOfTheBaseKnuckle(),
  gap: say.gapBetweenTwoFingers(),
  wrist_line: say.lineOfTheWrist(),
  thumb_opening: say.openingBesideTheThumb(),
  elbow_offset: say.elbowFromItsPlumbLine(),
};

const UNITS: Record<Kind, string> = {
  tip_angle: 'degrees',
  middle_angle: 'degrees',
  base_height: say.ofTheFirstBonesLength(),
  gap: 'degrees',
  wrist_line: say.degreesFoldedInIsPositive(),
  thumb_opening: 'degrees',
  elbow_offset: 'hand-widths',
  span: 'mm',
  shape: '',
};

export const unitOf = (kind: Kind): string => UNITS[kind];

const OF_A_FINGER = new Set<Kind>(['tip_angle', 'middle_angle', 'base_height', 'gap']);

export function isOfAFinger(kind: Kind): boolean {
  return OF_A_FINGER.has(kind);
}

export function isOnPicture(kind: string | null): kind is OnPicture {
  return ON_PICTURES.some((each) => each === kind);
}

/** As the server names what an angle belongs to. */
export function ofWhat(kind: Kind, finger: number): string {
  if (kind === 'gap') return `${lower(finger)}-${lower(finger) + 1}`;
  return isOfAFinger(kind) ? String(finger) : 'hand';
}

/** A gap is named by the lower of its two fingers. */
function lower(finger: number): number {
  return Math.min(finger, 3);
}

/** Joints first; the string tells which way the finger bends. */
export function wantedPoints(kind: Kind, finger: number): Wanted[] {
  switch (kind) {
    case 'tip_angle':
      return [
        { name: `${finger}.middle`, words: say.theMiddleJoint() },
        { name: `${finger}.tip_joint`, words: say.theFingertipJoint() },
        { name: `${finger}.tip`, words: say.theTip() },
        ...STRING,
      ];
    case 'middle_angle':
      return [
        { name: `${finger}.base`, words: say.theBaseKnuckle() },
        { name: `${finger}.middle`, words: say.theMiddleJoint() },
        { name: `${finger}.tip_joint`, words: say.theFingertipJoint() },
        ...STRING,
      ];
    case 'base_height':
      return [
        { name: `${finger}.base`, words: say.theBaseKnuckle() },
        { name: `${finger}.middle`, words: say.theMiddleJoint() },
        ...STRING,
      ];
    case 'gap':
      return [lower(finger), lower(finger) + 1].flatMap((n) => [
        { name: `${n}.base`, words: say.theBaseKnuckleOfThe({ which: FINGER_NAMES[n] ?? '' }) },
        { name: `${n}.tip`, words: say.theTipOfTheFinger({ which: FINGER_NAMES[n] ?? '' }) },
      ]);
    case 'wrist_line':
      return [
        { name: 'elbow', words: say.theMiddleOfTheForearm() },
        { name: 'wrist', words: say.theWrist() },
        { name: '2.base', words: say.theBaseKnuckleOfTheSecond() },
        { name: '2.middle', words: say.theMiddleJointOfThe() },
        ...STRING,
      ];
    case 'thumb_opening':
      return [
        { name: 'thumb.base', words: say.whereThumbAndHandMeet() },
        { name: 'thumb.joint', words: say.theMiddleOfTheThumb() },
        { name: '1.base', words: say.theBaseKnuckleOfTheFirst() },
      ];
    case 'shape':
      return [
        { name: 'elbow', words: say.theMiddleOfTheForearm() },
        { name: 'wrist', words: say.theWrist() },
        { name: 'thumb.base', words: say.whereThumbAndHandMeet() },
        { name: 'thumb.joint', words: say.theMiddleOfTheThumb() },
        { name: '1.base', words: say.theBaseKnuckleOfTheFirst() },
        { name: '1.middle', words: say.itsMiddleJoint() },
        { name: '1.tip_joint', words: say.itsFingertipJoint() },
      ];
    case 'elbow_offset':
      return [
        { name: '1.base', words: say.theBaseKnuckleOfTheFirst() },
        { name: '4.base', words: say.theBaseKnuckleOfTheFourth() },
        { name: 'elbow', words: say.theElbow() },
      ];
    case 'span':
      return [
        { name: 'string.nut', words: say.theStringAtTheNut() },
        { name: 'string.bridge', words: say.theSameStringAtThe() },
        { name: 'span.a', words: say.theTipOfTheFirst() },
        { name: 'span.b', words: say.theTipOfTheFourth() },
      ];
  }
}

/** The error of one's own hand from two takings of the same: their difference over the root of
 * two, which is the standard error of measurement of a single taking. */
export function ownError(one: number, two: number): number {
  return Math.abs(one - two) / Math.SQRT2;
}

/** With a minus as it is printed. */
export function signed(value: number): string {
  return String(value).replace('-', '−');
}
