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
import * as say from '../messages/compiled/player';

type Kept = Schemas['PictureOut'];

const MORE: Record<OnPicture, [string, string]> = {
  tip_angle: [say.rounder(), say.flatter()],
  middle_angle: [say.moreBent(), say.straighter()],
  base_height: [say.higher(), say.lower()],
  gap: [say.wider(), say.narrower()],
  wrist_line: [say.moreFoldedIn(), say.moreOut()],
  thumb_opening: [say.wider(), say.narrower()],
  elbow_offset: [say.fartherOut(), say.fartherIn()],
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
  const kind = KIND_WORDS[measure];
  const what =
    finger !== null && isOfAFinger(measure) ? say.fingerOfFingerInside({ kind, finger }) : kind;
  const angle = angleOf(picture);
  const value = angle ? `: ${signed(angle.value)} ${unitOf(measure)}` : '';
  return `${what}${value}`;
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
  if (by === 0) return say.noDifferenceAlone();
  const { measure } = one;
  if (!isOnPicture(measure)) return '';
  const [more, less] = MORE[measure];
  return say.thanOnTheFirst({
    by: Math.abs(by),
    unit: unitOf(measure).split(',')[0] ?? '',
    direction: by > 0 ? more : less,
  });
}
