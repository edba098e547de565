import { type PointerEvent, useRef } from 'react';

import type { Schemas } from '../api/client';
import css from './HandDrawing.module.css';
import {
  ASIDE,
  FingerNumbers,
  ORIGIN,
  OriginRings,
  REACH,
  RING,
  SpotMark,
  type SpotState,
  TagMark,
} from './HandMarks';
import { HandPaths } from './HandPaths';
import { type Family, nearestSpot, sameSpot, type Spot, spotsOf } from './places';
import { tagsOf } from './tags';
import { useFading } from './useFading';
import * as say from '../messages/compiled/drawings';

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
          aria-label={say.theSameHandSeenAlong()}
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
