import { useQuery } from '@tanstack/react-query';

import { handQuery } from '../api/handQueries';
import { HandPaths } from './HandPaths';
import css from './PlacePicture.module.css';
import { spotsOf } from './places';
import { useThumbPlace } from './thumbPlace';

const WIDTH = 320;
const HEIGHT = 268;

interface Props {
  instrument: string;
  place: string;
  /** Finger to show for places that each finger has; the fourth unless given. */
  finger?: number | null;
  /** Width in px. */
  size?: number;
}

/** A small picture of one place: the hand at ease cut out around it, with a ring. */
export function PlacePicture({ instrument, place, finger, size = 110 }: Props) {
  const thumb = useThumbPlace();
  const hand = useQuery(handQuery(instrument, '', { thumb })).data;
  const shown = place === 'finger' ? 'middle' : place;
  const here = hand ? spotsOf(hand).filter((spot) => spot.place === shown) : [];
  const spot = here.find((each) => each.finger === (finger ?? 4)) ?? here[0];
  if (!hand || !spot) return null;
  const left = clamp(spot.placeX - WIDTH / 2, 0, hand.width - WIDTH);
  const top = clamp(spot.placeY - HEIGHT / 2, 0, hand.height - HEIGHT);
  return (
    <svg
      className={css.picture}
      width={size}
      height={(size * HEIGHT) / WIDTH}
      viewBox={`${left} ${top} ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={spot.name}
    >
      <HandPaths hand={hand} />
      <circle className={css.ring} cx={spot.placeX} cy={spot.placeY} r={30} />
    </svg>
  );
}

function clamp(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}
