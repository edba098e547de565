import { Fragment } from 'react';

import type { Schemas } from '../api/client';
import touch from '../components/touch.module.css';
import { ordinal } from '../words/words';
import css from './NeckPlaces.module.css';
import type { PlanItem } from './planDraft';
import * as say from '../messages/compiled/lesson';

type Spot = Schemas['PossibleSpotOut'];

interface Props {
  /** The easiest first. */
  spots: Spot[];
  now: PlanItem['spot'];
  /** Null: as the step says. */
  onChoose: (spot: PlanItem['spot']) => void;
}

/** Where on the neck it is played, as a ladder drawn on the strings; nothing for music that lies where it lies. */
export function NeckPlaces({ spots, now, onChoose }: Props) {
  const strings = [...new Set(spots.map((spot) => spot.string))].sort((a, b) => a - b);
  const positions = [...new Set(spots.map((spot) => spot.position))].sort((a, b) => a - b);
  const isNow = (spot: Spot) => spot.string === now?.string && spot.position === now.position;
  if (spots.length === 0) return null;
  return (
    <details className={css.where}>
      <summary>
        {say.whereOnTheNeck({ says: spots.find(isNow)?.says ?? say.asTheStepSays() })}
      </summary>
      <div
        className={css.neck}
        style={{ gridTemplateColumns: `1.6rem repeat(${positions.length}, 3.2rem)` }}
      >
        <i />
        {positions.map((position) => (
          <span key={position} className={css.head}>
            {ordinal(position)}
          </span>
        ))}
        {strings.map((string) => (
          <Fragment key={string}>
            <b>{spots.find((spot) => spot.string === string)?.letter}</b>
            {positions.map((position) => {
              const at = spots.findIndex((s) => s.string === string && s.position === position);
              const spot = spots[at];
              return (
                <span key={position} className={css.cell} data-string={string}>
                  {spot && (
                    <button
                      type="button"
                      aria-pressed={isNow(spot)}
                      aria-label={nameOf(spot, at)}
                      data-been={spot.been > 0 || undefined}
                      onClick={() => onChoose({ string, position })}
                    >
                      <i>{at + 1}</i>
                    </button>
                  )}
                </span>
              );
            })}
          </Fragment>
        ))}
      </div>
      <p className={css.key}>
        {say.easiestFirstFullItHas()}
        {now !== null && (
          <button type="button" className={touch.word} onClick={() => onChoose(null)}>
            {say.asTheStepSaysAlone()}
          </button>
        )}
      </p>
    </details>
  );
}

function nameOf(spot: Spot, at: number): string {
  const told = { place: at + 1, says: spot.says };
  return spot.been > 0 ? say.itHasBeenThere(told) : say.placeSays(told);
}
