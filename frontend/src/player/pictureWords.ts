import type { Schemas } from '../api/client';
import {
  isOfAFinger,
  isOnPicture,
  KIND_WORDS,
  type OnPicture,
  ofWhat,
  signed,
  unitOf,
} from '../pictures/pointPlan';

type Kept = Schemas['PictureOut'];

const MORE: Record<OnPicture, [string, string]> = {
  tip_angle: ['rounder', 'flatter'],
  middle_angle: ['more bent', 'straighter'],
  base_height: ['higher', 'lower'],
  gap: ['wider', 'narrower'],
  wrist_line: ['more folded in', 'more out'],
  thumb_opening: ['wider', 'narrower'],
  elbow_offset: ['farther out', 'farther in'],
};

export function addressOf(playerId: number, picture: Kept): string {
  return `/api/players/${playerId}/pictures/${picture.name}`;
}

/** What was measured on it, null for a picture without a measure. */
function angleOf({ measure, finger, angles }: Kept): Schemas['AngleOut'] | null {
  if (!isOnPicture(measure)) return null;
  const of = ofWhat(measure, finger ?? 4);
  return angles.find((each) => each.measure === measure && each.of === of) ?? null;
}

/** What it tells, as a line. */
export function told(picture: Kept): string {
  const { measure, finger } = picture;
  if (!isOnPicture(measure)) return '';
  const on = finger !== null && isOfAFinger(measure) ? `, finger ${finger}` : '';
  const angle = angleOf(picture);
  const value = angle ? `: ${signed(angle.value)} ${unitOf(measure)}` : '';
  return `${KIND_WORDS[measure]}${on}${value}`;
}

/** The first and the newest picture of what was measured last, by name; as many as there are. */
export function firstAndLast(pictures: Kept[]): string[] {
  const last = pictures.at(-1);
  if (!last) return [];
  const same = pictures.filter((p) => p.measure === last.measure && p.finger === last.finger);
  const first = same[0] === last ? pictures.at(-2) : same[0];
  return first ? [first.name, last.name] : [last.name];
}

/** How the second differs from the first, where both tell the same. */
export function difference(one: Kept, two: Kept): string {
  const [a, b] = [angleOf(one), angleOf(two)];
  if (!a || !b || one.measure !== two.measure || one.finger !== two.finger) return '';
  const by = Math.round((b.value - a.value) * 100) / 100;
  if (by === 0) return 'No difference.';
  const { measure } = one;
  if (!isOnPicture(measure)) return '';
  const [more, less] = MORE[measure];
  return `${Math.abs(by)} ${unitOf(measure).split(',')[0]} ${by > 0 ? more : less} than on the first.`;
}
