// Where the places of the catalogue lie on the two drawings, in the drawing's own units (640 x 540).

export type Family = 'shoulder' | 'standing';

export interface Spot {
  /** Place id of the catalogue; per-finger places carry the finger. */
  place: string;
  finger?: number;
  x: number;
  y: number;
  name: string;
  /** Words below a spot that the drawing itself does not explain. */
  caption?: string;
}

export const WIDTH = 640;
export const HEIGHT = 540;

export function familyOf(instrument: string): Family {
  return instrument === 'vn' || instrument === 'va' ? 'shoulder' : 'standing';
}

interface FingerPoints {
  base: [number, number];
  middle: [number, number];
  last: [number, number];
  tip: [number, number];
  label: [number, number];
}

export const SHOULDER_FINGERS: Record<number, FingerPoints> = {
  1: { base: [204, 262], middle: [170, 92], last: [180, 116], tip: [196, 168], label: [154, 30] },
  2: { base: [248, 256], middle: [238, 78], last: [246, 104], tip: [260, 160], label: [232, 24] },
  3: { base: [294, 260], middle: [306, 82], last: [312, 108], tip: [322, 166], label: [310, 26] },
  4: { base: [338, 272], middle: [378, 100], last: [382, 122], tip: [386, 172], label: [390, 38] },
};

export const STANDING_FINGERS: Record<number, FingerPoints> = {
  1: { base: [418, 172], middle: [338, 120], last: [288, 124], tip: [236, 150], label: [116, 140] },
  2: { base: [424, 214], middle: [334, 178], last: [284, 184], tip: [234, 208], label: [116, 202] },
  3: { base: [424, 258], middle: [334, 238], last: [286, 244], tip: [238, 266], label: [116, 264] },
  4: { base: [416, 302], middle: [338, 300], last: [290, 304], tip: [240, 324], label: [116, 326] },
};

/** A finger's points in the flipped units in which the art of the shoulder family is written. */
export function drawnFlipped(finger: FingerPoints): FingerPoints {
  const flip = ([x, y]: [number, number]): [number, number] => [WIDTH - x, y];
  return {
    base: flip(finger.base),
    middle: flip(finger.middle),
    last: flip(finger.last),
    tip: flip(finger.tip),
    label: flip(finger.label),
  };
}

const FINGER_NAMES = ['', 'first', 'second', 'third', 'fourth'];

function fingerSpots(fingers: Record<number, FingerPoints>): Spot[] {
  return Object.entries(fingers).flatMap(([key, at]) => {
    const finger = Number(key);
    const name = FINGER_NAMES[finger] ?? '';
    return [
      { place: 'tip', finger, x: at.tip[0], y: at.tip[1], name: `Tip of the ${name} finger` },
      {
        place: 'middle',
        finger,
        x: at.middle[0],
        y: at.middle[1],
        name: `Middle joint, ${name} finger`,
      },
      { place: 'finger', finger, x: at.label[0], y: at.label[1], name: `Finger ${finger}, whole` },
    ];
  });
}

const SHOULDER: Spot[] = [
  ...fingerSpots(SHOULDER_FINGERS),
  { place: 'scroll', x: 34, y: 172, name: 'Scroll' },
  { place: 'strings', x: 520, y: 172, name: 'Strings' },
  { place: 'jaw', x: 578, y: 282, name: 'Jaw, shoulder', caption: 'jaw, shoulder' },
  { place: 'seat', x: 578, y: 470, name: 'Stance', caption: 'stance' },
  { place: 'thumb', x: 116, y: 172, name: 'Thumb' },
  { place: 'web', x: 138, y: 246, name: 'Opening beside the thumb' },
  { place: 'index_base', x: 192, y: 256, name: 'Base of the index' },
  { place: 'knuckles', x: 294, y: 262, name: 'Base knuckles' },
  { place: 'gap12', x: 208, y: 122, name: 'Gap between first and second' },
  { place: 'gaps', x: 348, y: 128, name: 'Gaps between the fingers' },
  { place: 'hand_back', x: 288, y: 336, name: 'Back of the hand' },
  { place: 'thumb_ball', x: 190, y: 340, name: 'Ball of the thumb' },
  { place: 'wrist', x: 256, y: 424, name: 'Wrist' },
  { place: 'elbow', x: 322, y: 500, name: 'Elbow', caption: 'elbow' },
];

const STANDING: Spot[] = [
  ...fingerSpots(STANDING_FINGERS),
  { place: 'strings', x: 238, y: 418, name: 'Strings' },
  { place: 'seat', x: 76, y: 482, name: 'Seat, stance', caption: 'seat, stance' },
  { place: 'thumb', x: 186, y: 236, name: 'Thumb' },
  { place: 'index_base', x: 420, y: 150, name: 'Base of the index' },
  { place: 'gap12', x: 378, y: 168, name: 'Gap between first and second' },
  { place: 'gaps', x: 380, y: 270, name: 'Gaps between the fingers' },
  { place: 'hand_back', x: 462, y: 232, name: 'Back of the hand' },
  { place: 'thumb_ball', x: 452, y: 330, name: 'Ball of the thumb' },
  { place: 'wrist', x: 530, y: 318, name: 'Wrist' },
  { place: 'elbow', x: 574, y: 462, name: 'Elbow', caption: 'elbow' },
];

export function spotsOf(family: Family): Spot[] {
  return family === 'shoulder' ? SHOULDER : STANDING;
}

export function sameSpot(a: Spot, b: Spot): boolean {
  return a.place === b.place && a.finger === b.finger;
}

/** The spot nearest to a point, or undefined when none lies within `reach`. */
export function nearestSpot(spots: Spot[], x: number, y: number, reach: number): Spot | undefined {
  let best: Spot | undefined;
  let least = reach;
  for (const spot of spots) {
    const distance = Math.hypot(spot.x - x, spot.y - y);
    if (distance < least) {
      best = spot;
      least = distance;
    }
  }
  return best;
}
