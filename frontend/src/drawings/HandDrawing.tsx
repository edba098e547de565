import { type MouseEvent, useRef } from 'react';

import { Strings } from '../components/GradeMarks';
import { gradeWord } from '../words/words';
import css from './HandDrawing.module.css';
import { ShoulderArt } from './ShoulderArt';
import { type Family, HEIGHT, nearestSpot, sameSpot, type Spot, spotsOf, WIDTH } from './spots';
import { StandingArt } from './StandingArt';

export interface SpotState {
  /** Worst grade found here; null when nothing here was checked. */
  grade: number | null;
  /** A check of the present look lies here. */
  due: boolean;
}

interface Props {
  family: Family;
  /** Spots that can be touched; others are not drawn. */
  isUsed: (spot: Spot) => boolean;
  stateOf: (spot: Spot) => SpotState;
  selected: Spot | null;
  onSelect: (spot: Spot) => void;
  /** Where the leading cause starts, with its name. */
  origin: { spot: Spot; name: string } | null;
  label: string;
}

const REACH = 46;

/** Our drawing of the left hand on its neck. Touch near a place to look there. */
export function HandDrawing({ family, isUsed, stateOf, selected, onSelect, origin, label }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const spots = spotsOf(family).filter(isUsed);

  function touch(event: MouseEvent) {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return;
    const scale = Math.min(box.width / WIDTH, box.height / HEIGHT);
    const left = box.left + (box.width - WIDTH * scale) / 2;
    const top = box.top;
    const spot = nearestSpot(
      spots,
      (event.clientX - left) / scale,
      (event.clientY - top) / scale,
      Math.max(REACH, 24 / scale),
    );
    if (spot) onSelect(spot);
  }

  return (
    <svg
      ref={svg}
      className={css.drawing}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      preserveAspectRatio="xMidYMin meet"
      role="group"
      aria-label={label}
      onClick={touch}
    >
      {family === 'shoulder' ? <ShoulderArt /> : <StandingArt />}
      {origin && <Origin spot={origin.spot} name={origin.name} />}
      {spots.map((spot) => (
        <SpotMark
          key={`${spot.place}${spot.finger ?? ''}`}
          spot={spot}
          state={stateOf(spot)}
          selected={selected !== null && sameSpot(spot, selected)}
          isOrigin={origin !== null && sameSpot(spot, origin.spot)}
          onSelect={onSelect}
        />
      ))}
    </svg>
  );
}

function SpotMark({
  spot,
  state,
  selected,
  isOrigin,
  onSelect,
}: {
  spot: Spot;
  state: SpotState;
  selected: boolean;
  isOrigin: boolean;
  onSelect: (spot: Spot) => void;
}) {
  const told = state.grade === null ? 'not checked' : gradeWord(state.grade);
  return (
    <g
      className={css.spot}
      transform={`translate(${spot.x} ${spot.y})`}
      role="button"
      tabIndex={0}
      aria-label={`${spot.name}: ${told}${state.due ? ', look here next' : ''}`}
      aria-pressed={selected}
      data-due={state.due || undefined}
      data-graded={state.grade !== null || undefined}
      data-found={(state.grade ?? 0) > 0 || undefined}
      data-selected={selected || undefined}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          event.stopPropagation();
          onSelect(spot);
        }
      }}
    >
      <circle className={css.halo} r={state.grade === null ? 13 : 19} />
      {state.grade !== null && (
        <g transform="translate(-12 -12)">
          <Strings grade={state.grade} />
        </g>
      )}
      {spot.caption && !isOrigin && (
        <text className={css.caption} y={state.grade === null ? 34 : 40}>
          {spot.caption}
        </text>
      )}
      {spot.place === 'finger' && state.grade === null && (
        <text className={css.numeral} y={6}>
          {spot.finger}
        </text>
      )}
    </g>
  );
}

function Origin({ spot, name }: { spot: Spot; name: string }) {
  const toLeft = spot.x > WIDTH / 2;
  const x = toLeft ? Math.min(spot.x + 14, WIDTH - 4) : Math.max(spot.x - 14, 4);
  return (
    <g className={css.origin} aria-hidden="true">
      <circle cx={spot.x} cy={spot.y} r={28} />
      <circle cx={spot.x} cy={spot.y} r={33} />
      <text x={x} y={spot.y + 52} textAnchor={toLeft ? 'end' : 'start'}>
        may start here: {name.toLowerCase()}
      </text>
    </g>
  );
}
