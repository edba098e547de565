import { useState } from 'react';

import css from './BarStrip.module.css';
import type { Passage } from './pieces';
import { SIDE, stringPath } from './stringPath';
import * as say from '../messages/compiled/pieces';

/** The load of each bar as a string that thickens; a bar that is touched says why. */
export function BarStrip({ bars }: { bars: Passage['bars'] }) {
  const [chosen, setChosen] = useState<number | null>(null);
  const shares = bars.map((each) => each.share);
  const bar = chosen === null ? undefined : bars[chosen];
  return (
    <section aria-label={say.howHeavyEachBarIs()}>
      <div className={css.strip} role="group" aria-label={say.bars()}>
        {bars.map((each, place) => (
          <button
            key={place}
            type="button"
            aria-pressed={place === chosen}
            aria-label={say.barOfTheHeaviest({
              number: each.number,
              share: Math.round(100 * each.share),
            })}
            onClick={() => setChosen(place === chosen ? null : place)}
          >
            <svg viewBox={`0 0 ${SIDE} ${SIDE}`} aria-hidden="true">
              <path className={css.string} d={stringPath(shares, place)} />
            </svg>
            <span aria-hidden="true">{each.number}</span>
          </button>
        ))}
      </div>
      {bar && (
        <div role="status">
          <h3>{say.bar({ number: bar.number })}</h3>
          {bar.why.length === 0 ? (
            <p>{say.nothingHereWeighsMuch()}</p>
          ) : (
            <ul className={css.bars}>
              {bar.why.map((why) => (
                <li key={why.cause}>
                  <strong>{why.cause}</strong>: {why.words.join('; ')}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </section>
  );
}
