// What a picture can tell, which points that needs in the order in which they are touched, and what
// to say for each.

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
/** The span is no angle: it needs the length of the string. */
export type Kind = OnPicture | 'span';

export interface Wanted {
  name: string;
  words: string;
}

const ORDINALS = ['first', 'second', 'third', 'fourth'];

const STRING: Wanted[] = [
  { name: 'string.a', words: 'the string under the finger, on its one side' },
  { name: 'string.b', words: 'the same string, on its other side' },
];

export const KIND_WORDS: Record<OnPicture, string> = {
  tip_angle: 'Fingertip joint',
  middle_angle: 'Middle joint',
  base_height: 'Height of the base knuckle',
  gap: 'Gap between two fingers',
  wrist_line: 'Line of the wrist',
  thumb_opening: 'Opening beside the thumb',
  elbow_offset: 'Elbow from its plumb line',
};

const UNITS: Record<Kind, string> = {
  tip_angle: 'degrees',
  middle_angle: 'degrees',
  base_height: 'of the first bone’s length over the string',
  gap: 'degrees',
  wrist_line: 'degrees, folded in is positive',
  thumb_opening: 'degrees',
  elbow_offset: 'hand-widths',
  span: 'mm',
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
    case 'base_height':
      return [
        { name: `${finger}.base`, words: 'the base knuckle' },
        { name: `${finger}.middle`, words: 'the middle joint' },
        ...STRING,
      ];
    case 'gap':
      return [lower(finger), lower(finger) + 1].flatMap((n) => [
        { name: `${n}.base`, words: `the base knuckle of the ${ORDINALS[n - 1]} finger` },
        { name: `${n}.tip`, words: `the tip of the ${ORDINALS[n - 1]} finger` },
      ]);
    case 'wrist_line':
      return [
        { name: 'elbow', words: 'the middle of the forearm, far from the hand' },
        { name: 'wrist', words: 'the wrist' },
        { name: '2.base', words: 'the base knuckle of the second finger' },
        { name: '2.middle', words: 'the middle joint of the second finger' },
        ...STRING,
      ];
    case 'thumb_opening':
      return [
        { name: 'thumb.base', words: 'where thumb and hand meet, deep in the opening' },
        { name: 'thumb.joint', words: 'the middle of the thumb' },
        { name: '1.base', words: 'the base knuckle of the first finger' },
      ];
    case 'elbow_offset':
      return [
        { name: '1.base', words: 'the base knuckle of the first finger' },
        { name: '4.base', words: 'the base knuckle of the fourth finger' },
        { name: 'elbow', words: 'the elbow' },
      ];
    case 'span':
      return [
        { name: 'string.nut', words: 'the string at the nut' },
        { name: 'string.bridge', words: 'the same string at the bridge' },
        { name: 'span.a', words: 'the tip of the first finger' },
        { name: 'span.b', words: 'the tip of the fourth finger' },
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
