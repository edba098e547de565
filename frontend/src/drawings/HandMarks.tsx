import { GradePaths } from '../components/GradeString';
import { gradeWord } from '../words/words';
import css from './HandDrawing.module.css';
import { type Family, type Spot } from './places';
import { type Tag } from './tags';
import * as say from '../messages/compiled/drawings';

export interface SpotState {
  /** Worst grade found here; null when nothing here was checked. */
  grade: number | null;
  /** A check of the present look lies here. */
  due: boolean;
}

export const REACH = 46;

export const RING = 27;

export const ORIGIN = 33;

/** How far left of its spot a number stands, so that it lies beside the board. */
export const ASIDE: Record<Family, number> = { shoulder: 0, standing: 26 };

interface NumbersProps {
  spots: Spot[];
  chosen: number[];
  aside: number;
}

export function FingerNumbers({ spots, chosen, aside }: NumbersProps) {
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

export function SpotMark({ spot, state, isAsked, onSelect, onFocus }: MarkProps) {
  const told = state.grade === null ? say.notChecked() : gradeWord(state.grade);
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
      aria-label={`${spot.name}: ${told}${state.due ? say.lookHereNext() : ''}`}
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
export function TagMark({ tag, clear }: { tag: Tag; clear: number }) {
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

export function OriginRings({ spot }: { spot: Spot }) {
  return (
    <g className={css.origin} aria-hidden="true">
      <circle className={css.under} cx={spot.placeX} cy={spot.placeY} r={(RING + ORIGIN) / 2} />
      <circle cx={spot.placeX} cy={spot.placeY} r={RING} />
      <circle cx={spot.placeX} cy={spot.placeY} r={ORIGIN} />
    </g>
  );
}
