import { type PointerEvent, useRef } from 'react';

import type { Schemas } from '../api/client';
import { GradePaths } from '../components/GradeString';
import { gradeWord } from '../words/words';
import css from './HandDrawing.module.css';
import { HandPaths } from './HandPaths';
import { type Family, nearestSpot, sameSpot, type Spot, spotsOf } from './places';
import { type Tag, tagsOf } from './tags';
import { useFading } from './useFading';

interface SpotState {
  /** Worst grade found here; null when nothing here was checked. */
  grade: number | null;
  /** A check of the present look lies here. */
  due: boolean;
}

type Place = Pick<Spot, 'place' | 'finger'>;

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
  /** The place that is asked now. */
  asked: Place | null;
  /** Fingers that the answer is for. */
  fingers: number[];
  /** Absent where the drawing only shows. */
  onSelect?: ((spot: Spot) => void) | undefined;
  onPoint?: (spot: Spot | null) => void;
  origin: Origin | null;
  /** The hand is drawn as it should be, whatever was seen: without what was found on it. */
  atEase: boolean;
  label: string;
}

const REACH = 46;
const RING = 27;
const ORIGIN = 33;

/** The left hand on its neck. What was found stands beside it, the place that is asked is ringed. */
export function HandDrawing(props: Props) {
  const { family, hand, along, isUsed, stateOf, asked, fingers, origin, atEase, label } = props;
  const { onSelect, onPoint } = props;
  const svg = useRef<SVGSVGElement>(null);
  const spots = spotsOf(hand).filter(isUsed);
  const home = origin && spots.find((spot) => sameSpot(spot, origin));
  const now = asked && spots.find((spot) => sameSpot(spot, asked));
  const before = useFading(hand);
  const tags = atEase ? [] : tagsOf(spots, (spot) => stateOf(spot).grade, family);

  function under(event: Pick<PointerEvent, 'clientX' | 'clientY'>): Spot | null {
    const toPage = svg.current?.getScreenCTM();
    if (!toPage) return null;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(toPage.inverse());
    return nearestSpot(spots, x, y, Math.max(REACH, 24 / toPage.a)) ?? null;
  }

  return (
    <div className={css.frame} data-family={family}>
      <svg
        ref={svg}
        className={css.drawing}
        viewBox={`0 0 ${hand.width} ${hand.height}`}
        preserveAspectRatio={family === 'standing' ? 'xMaxYMid meet' : 'xMidYMax meet'}
        role="group"
        aria-label={label}
        onPointerMove={(event) => onPoint?.(event.pointerType === 'mouse' ? under(event) : null)}
        onPointerLeave={() => onPoint?.(null)}
        onClick={(event) => {
          const spot = under(event);
          if (spot) onSelect?.(spot);
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
        <FingerNumbers spots={spotsOf(hand)} chosen={fingers} aside={ASIDE[family]} />
        {home && !(now && sameSpot(home, now)) && <OriginRings spot={home} />}
        {spots.map((spot) => (
          <SpotMark
            key={`${spot.place}${spot.finger ?? ''}`}
            spot={spot}
            state={stateOf(spot)}
            isAsked={now !== null && now !== undefined && sameSpot(spot, now)}
            onSelect={onSelect}
            onFocus={onPoint}
          />
        ))}
        {tags.map((tag) => (
          <TagMark key={tag.key} tag={tag} clear={clearOf(tag.spot, now, home)} />
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
    </div>
  );
}

/** How far a leader keeps from its place, so that it does not cross the ring there. */
function clearOf(spot: Spot, now: Spot | null | undefined, home: Spot | null | undefined): number {
  if (now && sameSpot(spot, now)) return RING;
  return home && sameSpot(spot, home) ? ORIGIN : 0;
}

/** How far left of its spot a number stands, so that it lies beside the board. */
const ASIDE: Record<Family, number> = { shoulder: 0, standing: 26 };

interface NumbersProps {
  spots: Spot[];
  chosen: number[];
  aside: number;
}

function FingerNumbers({ spots, chosen, aside }: NumbersProps) {
  return (
    <g aria-hidden="true">
      {spots
        .filter((spot) => spot.place === 'finger')
        .map((spot) => (
          <g
            key={spot.finger}
            className={css.number}
            data-chosen={chosen.includes(spot.finger ?? 0) || undefined}
            transform={`translate(${spot.x - aside} ${spot.y})`}
          >
            <circle r={15} />
            <text y={7}>{spot.finger}</text>
          </g>
        ))}
    </g>
  );
}

interface MarkProps {
  spot: Spot;
  state: SpotState;
  isAsked: boolean;
  onSelect: ((spot: Spot) => void) | undefined;
  onFocus: ((spot: Spot | null) => void) | undefined;
}

function SpotMark({ spot, state, isAsked, onSelect, onFocus }: MarkProps) {
  const told = state.grade === null ? 'not checked' : gradeWord(state.grade);
  // What is asked of a whole finger is ringed at the finger, not at its number.
  const ringX = isAsked ? spot.placeX : spot.x;
  const ringY = isAsked ? spot.placeY : spot.y;
  const marks = (
    <>
      <circle className={css.touch} cx={spot.x} cy={spot.y} r={22} />
      <circle className={css.dot} cx={spot.x} cy={spot.y} r={3.5} />
      {isAsked ? (
        <>
          <circle className={css.under} cx={ringX} cy={ringY} r={RING} />
          <circle className={css.ring} cx={ringX} cy={ringY} r={RING} />
        </>
      ) : (
        <circle className={css.halo} cx={ringX} cy={ringY} r={11} />
      )}
    </>
  );
  if (!onSelect) return <g aria-hidden="true">{marks}</g>;
  return (
    <g
      className={css.spot}
      role="button"
      tabIndex={0}
      aria-label={`${spot.name}: ${told}${state.due ? ', look here next' : ''}`}
      aria-pressed={isAsked}
      data-due={(state.due && !isAsked) || undefined}
      data-graded={state.grade !== null || undefined}
      data-number={spot.place === 'finger' || undefined}
      onFocus={() => onFocus?.(spot)}
      onBlur={() => onFocus?.(null)}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          event.stopPropagation();
          onSelect(spot);
        }
      }}
    >
      {marks}
    </g>
  );
}

const TAG = { width: 56, height: 30, string: 40 };

/** A finding beside the hand, with a line to its place. */
function TagMark({ tag, clear }: { tag: Tag; clear: number }) {
  const far = Math.hypot(tag.x - tag.placeX, tag.y - tag.placeY) || 1;
  const endX = tag.placeX + ((tag.x - tag.placeX) * clear) / far;
  const endY = tag.placeY + ((tag.y - tag.placeY) * clear) / far;
  return (
    <g className={css.tag} aria-hidden="true">
      <path className={css.leader} d={`M${tag.x} ${tag.y}L${endX} ${endY}`} />
      {clear === 0 && <circle className={css.anchor} cx={endX} cy={endY} r={3} />}
      <rect
        x={tag.x - TAG.width / 2}
        y={tag.y - TAG.height / 2}
        width={TAG.width}
        height={TAG.height}
        rx={TAG.height / 2}
      />
      <g transform={`translate(${tag.x - TAG.string / 2} ${tag.y - 8})`}>
        <GradePaths grade={tag.grade} width={TAG.string} height={16} bead={4.6} />
      </g>
    </g>
  );
}

function OriginRings({ spot }: { spot: Spot }) {
  return (
    <g className={css.origin} aria-hidden="true">
      <circle className={css.under} cx={spot.placeX} cy={spot.placeY} r={(RING + ORIGIN) / 2} />
      <circle cx={spot.placeX} cy={spot.placeY} r={RING} />
      <circle cx={spot.placeX} cy={spot.placeY} r={ORIGIN} />
    </g>
  );
}
