// Where what was found is told: beside the hand, at a fixed spot for each place, so that it covers
// nothing and the eye finds it again.

import type { Family, Spot } from './places';

export interface Tag {
  key: string;
  /** Its middle, in the picture's units. */
  x: number;
  y: number;
  /** What is meant. */
  placeX: number;
  placeY: number;
  grade: number;
  spot: Spot;
}

type At = readonly [number, number];

const BESIDE: Record<Family, Record<string, At>> = {
  shoulder: {
    index_base: [150, 122],
    gap12: [186, 78],
    knuckles: [128, 40],
    gaps: [522, 58],
    web: [108, 318],
    thumb: [452, 310],
    hand_back: [96, 362],
    thumb_ball: [452, 362],
    wrist: [440, 420],
    elbow: [440, 520],
    jaw: [520, 420],
    seat: [520, 470],
    strings: [560, 232],
    scroll: [52, 330],
  },
  standing: {
    thumb: [232, 76],
    gap12: [232, 122],
    index_base: [300, 86],
    web: [300, 132],
    thumb_ball: [372, 108],
    wrist: [452, 118],
    elbow: [540, 190],
    hand_back: [300, 494],
    gaps: [236, 512],
    knuckles: [372, 470],
    strings: [240, 556],
    seat: [36, 496],
  },
};

/** A tag for each place that has a grade; a finger's places share one, at its number. */
export function tagsOf(
  spots: Spot[],
  gradeOf: (spot: Spot) => number | null,
  family: Family,
): Tag[] {
  const byKey = new Map<string, Tag>();
  for (const spot of spots) {
    const grade = gradeOf(spot);
    if (grade === null) continue;
    const key = typeof spot.finger === 'number' ? `finger${spot.finger}` : spot.place;
    const known = byKey.get(key);
    if (known && known.grade >= grade) continue;
    const [x, y] = besides(spot, spots, family);
    byKey.set(key, { key, x, y, placeX: spot.placeX, placeY: spot.placeY, grade, spot });
  }
  return [...byKey.values()];
}

function besides(spot: Spot, spots: Spot[], family: Family): At {
  if (typeof spot.finger !== 'number') {
    return BESIDE[family][spot.place] ?? [spot.x + 48, spot.y - 36];
  }
  const number = spots.find((each) => each.place === 'finger' && each.finger === spot.finger);
  const { x, y } = number ?? spot;
  if (family === 'standing') return [30, y];
  // The fourth's number lies lowest and furthest out, so its tag has room beside it.
  return spot.finger === 4 ? [x + 46, y - 8] : [x, Math.max(13, y - 30)];
}
