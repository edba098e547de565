import { Button } from '@mantine/core';
import { type PointerEvent, useRef, useState } from 'react';

import type { Schemas } from '../api/client';
import { Beads } from '../components/GradeMarks';
import { gradeWord } from '../words/words';
import css from './HandDrawing.module.css';
import { HandPaths } from './HandPaths';
import { type Family, nearestSpot, sameSpot, type Spot, spotsOf } from './places';
import { useFading } from './useFading';

export interface SpotState {
  /** Worst grade found here; null when nothing here was checked. */
  grade: number | null;
  /** A check of the present look lies here. */
  due: boolean;
}

/** Where the leading cause starts, with its name. */
export interface Origin {
  place: string;
  finger: number | null;
  name: string;
}

interface Props {
  family: Family;
  hand: Schemas['HandOut'];
  /** The view along the neck, for thumb and opening. */
  along: Schemas['HandOut'] | undefined;
  /** Spots that can be touched; others are not drawn. */
  isUsed: (spot: Spot) => boolean;
  stateOf: (spot: Spot) => SpotState;
  selected: Spot | null;
  onSelect: (spot: Spot) => void;
  origin: Origin | null;
  /** The hand is drawn as it should be, whatever was seen. */
  atEase: boolean;
  onEase: () => void;
  label: string;
}

const REACH = 46;
const LED_FROM = 9;

/** The left hand on its neck. Touch near a place to look there; its word stands below. */
export function HandDrawing(props: Props) {
  const { family, hand, along, isUsed, stateOf, selected, onSelect, origin } = props;
  const { atEase, onEase, label } = props;
  const svg = useRef<SVGSVGElement>(null);
  const [pointed, setPointed] = useState<Spot | null>(null);
  const spots = spotsOf(hand).filter(isUsed);
  const home = origin ? spots.find((spot) => sameSpot(spot, origin)) : undefined;
  const before = useFading(hand);

  function under(event: PointerEvent): Spot | null {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return null;
    const scale = Math.min(box.width / hand.width, box.height / hand.height);
    const left = box.left + (box.width - hand.width * scale) / 2;
    const x = (event.clientX - left) / scale;
    const y = (event.clientY - box.top) / scale;
    return nearestSpot(spots, x, y, Math.max(REACH, 24 / scale)) ?? null;
  }

  const named = pointed ?? selected;
  return (
    <div className={css.frame} data-family={family}>
      <svg
        ref={svg}
        className={css.drawing}
        viewBox={`0 0 ${hand.width} ${hand.height}`}
        preserveAspectRatio="xMidYMin meet"
        role="group"
        aria-label={label}
        onPointerMove={(event) => setPointed(event.pointerType === 'mouse' ? under(event) : null)}
        onPointerLeave={() => setPointed(null)}
        onClick={(event) => {
          const spot = under(event as unknown as PointerEvent);
          if (spot) onSelect(spot);
        }}
      >
        {before && (
          <g aria-hidden="true">
            <HandPaths hand={before} />
          </g>
        )}
        <g
          key={before ? 'new' : 'still'}
          className={before ? css.coming : undefined}
          aria-hidden="true"
        >
          <HandPaths hand={hand} />
        </g>
        {home && <OriginRings spot={home} />}
        {spots.map((spot) => (
          <SpotMark
            key={`${spot.place}${spot.finger ?? ''}`}
            spot={spot}
            state={stateOf(spot)}
            selected={selected !== null && sameSpot(spot, selected)}
            pointed={pointed !== null && sameSpot(spot, pointed)}
            off={stateOf(spot).grade === null ? [0, 0] : asideOf(spot, spots)}
            onSelect={onSelect}
            onFocus={setPointed}
          />
        ))}
      </svg>
      {along && (
        <svg
          className={css.along}
          viewBox={`0 0 ${along.width} ${along.height}`}
          role="img"
          aria-label="The same hand seen along the neck: thumb and opening"
        >
          <HandPaths hand={along} />
        </svg>
      )}
      <div className={css.below}>
        <p className={css.words} aria-live="polite">
          {named ? (
            named.name
          ) : home ? (
            <span className={css.mayStart}>
              May start at the double ring: {origin?.name.toLowerCase()}
            </span>
          ) : (
            <span className="quiet">Touch the hand where you see something.</span>
          )}
        </p>
        <Button variant="subtle" aria-pressed={atEase} aria-keyshortcuts="v" onClick={onEase}>
          {atEase ? 'As seen' : 'As it should be'}
        </Button>
      </div>
    </div>
  );
}

function SpotMark({
  spot,
  state,
  selected,
  pointed,
  off: [offX, offY],
  onSelect,
  onFocus,
}: {
  spot: Spot;
  state: SpotState;
  selected: boolean;
  pointed: boolean;
  /** How far its mark stands aside, so that what it tells of stays in sight. */
  off: readonly [number, number];
  onSelect: (spot: Spot) => void;
  onFocus: (spot: Spot | null) => void;
}) {
  const told = state.grade === null ? 'not checked' : gradeWord(state.grade);
  const x = spot.x + offX;
  const y = spot.y + offY;
  const isLed = Math.hypot(x - spot.placeX, y - spot.placeY) > LED_FROM;
  const isNumber = spot.place === 'finger';
  return (
    <g
      className={css.spot}
      role="button"
      tabIndex={0}
      aria-label={`${spot.name}: ${told}${state.due ? ', look here next' : ''}`}
      aria-pressed={selected}
      data-due={state.due || undefined}
      data-graded={state.grade !== null || undefined}
      data-found={(state.grade ?? 0) > 0 || undefined}
      data-selected={selected || undefined}
      data-pointed={pointed || undefined}
      data-number={isNumber || undefined}
      onFocus={() => onFocus(spot)}
      onBlur={() => onFocus(null)}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          event.stopPropagation();
          onSelect(spot);
        }
      }}
    >
      {isLed && !isNumber && (
        <path className={css.leader} d={`M${x} ${y}L${spot.placeX} ${spot.placeY}`} />
      )}
      <g transform={`translate(${x} ${y})`}>
        <circle className={css.touch} r={22} />
        <circle className={css.halo} r={state.grade === null ? 13 : 17} />
        <circle className={css.dot} r={3.5} />
        {isNumber && (
          <text className={css.numeral} x={state.grade === null ? 0 : -8} y={6}>
            {spot.finger}
          </text>
        )}
        {state.grade !== null && (
          <g transform={isNumber ? 'translate(0 -9) scale(0.75)' : 'translate(-12 -12)'}>
            <Beads grade={state.grade} />
          </g>
        )}
      </g>
    </g>
  );
}

const ASIDE = ['tip', 'middle', 'thumb', 'index_base', 'thumb_ball'];
const ASIDE_BY = 24;

/** Away from the middle of the hand, for places that a mark would cover. */
function asideOf(spot: Spot, spots: Spot[]): readonly [number, number] {
  if (!ASIDE.includes(spot.place)) return [0, 0];
  const hand = spots.filter((each) => ASIDE.includes(each.place));
  const x = spot.x - hand.reduce((sum, each) => sum + each.x, 0) / hand.length;
  const y = spot.y - hand.reduce((sum, each) => sum + each.y, 0) / hand.length;
  const far = Math.hypot(x, y) || 1;
  return [(x / far) * ASIDE_BY, (y / far) * ASIDE_BY];
}

function OriginRings({ spot }: { spot: Spot }) {
  return (
    <g className={css.origin} aria-hidden="true">
      <circle cx={spot.x} cy={spot.y} r={25} />
      <circle cx={spot.x} cy={spot.y} r={30} />
    </g>
  );
}
