import { useQuery } from '@tanstack/react-query';

import { handQuery } from '../api/handQueries';
import css from '../components/Lens.module.css';
import { HandPaths } from './HandPaths';
import { spotsOf } from './places';
import { useThumbPlace } from './thumbPlace';

const RADIUS = 95;

const idOf = (instrument: string) => `hand-${instrument}`;

/** The hand at ease, drawn once for all the rings on a page that show a place of it. */
export function PlaceLensHand({ instrument }: { instrument: string }) {
  const thumb = useThumbPlace();
  const hand = useQuery(handQuery(instrument, '', { thumb })).data;
  if (!hand) return null;
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
      <defs>
        <g id={idOf(instrument)}>
          <HandPaths hand={hand} />
        </g>
      </defs>
    </svg>
  );
}

interface Props {
  instrument: string;
  place: string;
  finger?: number | null;
}

/** A place of the hand through a ring; needs `PlaceLensHand` on the same page. */
export function PlaceLens({ instrument, place, finger }: Props) {
  const thumb = useThumbPlace();
  const hand = useQuery(handQuery(instrument, '', { thumb })).data;
  const shown = place === 'finger' ? 'middle' : place;
  const here = hand ? spotsOf(hand).filter((spot) => spot.place === shown) : [];
  const spot = here.find((each) => each.finger === (finger ?? 4)) ?? here[0];
  return (
    <span className={css.lens}>
      {spot && (
        <svg
          viewBox={`${spot.placeX - RADIUS} ${spot.placeY - RADIUS} ${2 * RADIUS} ${2 * RADIUS}`}
          aria-hidden="true"
        >
          <use href={`#${idOf(instrument)}`} />
        </svg>
      )}
    </span>
  );
}
