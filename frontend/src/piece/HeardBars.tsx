import { Fragment } from 'react';

import { shortDate } from '../words/words';
import css from './PiecePage.module.css';
import type { Passage } from '../pieces/pieces';
import { SIDE, stringPath } from '../pieces/stringPath';

const ROWS = ['expected', 'heard'] as const;

/** What was heard of each bar under what was expected of it, as two strings that thicken. */
export function HeardBars({ heard }: { heard: NonNullable<Passage['heard']> }) {
  const width = SIDE * heard.bars.length;
  return (
    <>
      <p role="status">
        <strong>{shortDate(heard.on)}</strong>, ♩ = {heard.tempo}
        {heard.simulated && ', a made-up player'}: {heard.words}
      </p>
      {heard.bars.length > 0 && (
        <figure
          className={css.heard}
          style={{
            gridTemplateColumns: `5.5rem repeat(${heard.bars.length}, minmax(1.2rem, 44px))`,
          }}
        >
          {ROWS.map((row) => {
            const shares = heard.bars.map((bar) => bar[row] ?? 0);
            return (
              <Fragment key={row}>
                <span>{row}</span>
                <svg
                  viewBox={`0 0 ${width} ${SIDE}`}
                  preserveAspectRatio="none"
                  role="img"
                  aria-label={`${row}: ${heard.bars.map((bar) => `bar ${bar.number} ${percent(bar[row])}`).join(', ')}`}
                >
                  {shares.map((_, place) => (
                    <path
                      key={place}
                      className={css.string}
                      data-row={row}
                      transform={`translate(${SIDE * place} 0)`}
                      d={stringPath(shares, place)}
                    />
                  ))}
                </svg>
              </Fragment>
            );
          })}
          <span />
          {heard.bars.map((bar) => (
            <b key={bar.number} aria-hidden="true">
              {bar.number}
            </b>
          ))}
        </figure>
      )}
    </>
  );
}

function percent(share: number | null): string {
  return share === null ? 'not heard' : `${Math.round(100 * share)} %`;
}
