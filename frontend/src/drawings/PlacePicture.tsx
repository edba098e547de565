import css from './PlacePicture.module.css';
import { ShoulderArt } from './ShoulderArt';
import { type Family, HEIGHT, spotsOf, WIDTH } from './spots';
import { StandingArt } from './StandingArt';

const SIDE = 260;

interface Props {
  family: Family;
  place: string;
  /** Finger to show for places that each finger has; the fourth unless given. */
  finger?: number | null;
  /** Side in px. */
  size?: number;
}

/** A small picture of one place: the drawing cut out around it, with a ring. Nothing if it has none. */
export function PlacePicture({ family, place, finger, size = 76 }: Props) {
  const shown = place === 'finger' ? 'middle' : place;
  const here = spotsOf(family).filter((spot) => spot.place === shown);
  const spot = here.find((each) => each.finger === (finger ?? 4)) ?? here[0];
  if (!spot) return null;
  const left = clamp(spot.x - SIDE / 2, 0, WIDTH - SIDE);
  const top = clamp(spot.y - SIDE / 2, 0, HEIGHT - SIDE);
  return (
    <svg
      className={css.picture}
      width={size}
      height={size}
      viewBox={`${left} ${top} ${SIDE} ${SIDE}`}
      role="img"
      aria-label={spot.name}
    >
      {family === 'shoulder' ? <ShoulderArt /> : <StandingArt />}
      <circle className={css.ring} cx={spot.x} cy={spot.y} r={34} />
    </svg>
  );
}

function clamp(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}
