import { useState } from 'react';

import css from './PiecePage.module.css';
import type { Passage } from './pieces';

const SIDE = 44;
const THIN = 1.5;
const THICK = 30;

/** The load of each bar as a string that thickens; a bar that is touched says why. */
export function BarStrip({ bars }: { bars: Passage['bars'] }) {
  const [chosen, setChosen] = useState<number | null>(null);
  const bar = chosen === null ? undefined : bars[chosen];
  return (
    <section aria-label="How heavy each bar is for this hand">
      <div className={css.strip} role="group" aria-label="Bars">
        {bars.map((each, place) => (
          <button
            key={place}
            type="button"
            aria-pressed={place === chosen}
            aria-label={`Bar ${each.number}, ${Math.round(100 * each.share)} % of the heaviest`}
            onClick={() => setChosen(place === chosen ? null : place)}
          >
            <svg viewBox={`0 0 ${SIDE} ${SIDE}`} aria-hidden="true">
              <path className={css.string} d={stringPath(bars, place)} />
            </svg>
            <span aria-hidden="true">{each.number}</span>
          </button>
        ))}
      </div>
      {bar && (
        <div role="status">
          <h3>Bar {bar.number}</h3>
          {bar.why.length === 0 ? (
            <p>Nothing here weighs much.</p>
          ) : (
            <ul className={css.why}>
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

/** One bar's piece of the string, joined to its neighbours half way. */
function stringPath(bars: Passage['bars'], place: number): string {
  const thick = (at: number) => THIN + THICK * (bars[at]?.share ?? 0);
  const own = thick(place);
  const left = (own + (place > 0 ? thick(place - 1) : own)) / 2;
  const right = (own + (place + 1 < bars.length ? thick(place + 1) : own)) / 2;
  const y = (size: number, side: number) => (SIDE / 2 + (side * size) / 2).toFixed(1);
  return `M0 ${y(left, -1)}L${SIDE / 2} ${y(own, -1)}L${SIDE} ${y(right, -1)}L${SIDE} ${y(right, 1)}L${SIDE / 2} ${y(own, 1)}L0 ${y(left, 1)}Z`;
}
