// The places of the catalogue: their words, and which one a touch means.

import type { Schemas } from '../api/client';
import * as say from '../messages/compiled/drawings';
import { FINGER_NAMES } from '../words/ordinals';

export type Family = 'shoulder' | 'standing';

/** A place on a drawn hand; per-finger places carry the finger. */
export interface Spot {
  place: string;
  finger?: number | null;
  /** Where it is touched, in the picture's units. */
  x: number;
  y: number;
  /** What is meant, where that lies beside it. */
  placeX: number;
  placeY: number;
  name: string;
}

export function familyOf(instrument: string): Family {
  return instrument === 'vn' || instrument === 'va' ? 'shoulder' : 'standing';
}

const NAMES: Record<string, string> = {
  scroll: say.scroll(),
  strings: say.strings(),
  jaw: say.jawShoulder(),
  seat: say.seatStance(),
  thumb: say.thumb(),
  web: say.openingBesideTheThumb(),
  index_base: say.baseOfTheIndex(),
  knuckles: say.baseKnuckles(),
  gap12: say.gapBetweenFirstAndSecond(),
  gaps: say.gapsBetweenTheFingers(),
  hand_back: say.backOfTheHand(),
  thumb_ball: say.ballOfTheThumb(),
  wrist: say.wrist(),
  elbow: say.elbow(),
};

function placeName(place: string, finger?: number | null): string {
  const which = finger ? (FINGER_NAMES[finger] ?? '') : '';
  if (place === 'tip') return which ? say.tipOfTheFinger({ which }) : say.fingertip();
  if (place === 'middle') return which ? say.middleJointFinger({ which }) : say.middleJoint();
  if (place === 'finger') return finger ? say.fingerWhole({ finger }) : say.finger();
  return NAMES[place] ?? '';
}

export function spotsOf(hand: Schemas['HandOut']): Spot[] {
  return hand.places.map((each) => {
    // A whole finger is touched at its number; meant is the finger.
    const middle =
      each.place === 'finger' &&
      hand.places.find((other) => other.place === 'middle' && other.finger === each.finger);
    const [placeX, placeY] = middle ? [middle.x, middle.y] : [each.place_x, each.place_y];
    const name = placeName(each.place, each.finger);
    return { place: each.place, finger: each.finger, x: each.x, y: each.y, placeX, placeY, name };
  });
}

export function sameSpot(
  a: Pick<Spot, 'place' | 'finger'>,
  b: Pick<Spot, 'place' | 'finger'>,
): boolean {
  return a.place === b.place && (a.finger ?? null) === (b.finger ?? null);
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
