import { Fragment } from 'react';

import { shortDate } from '../words/words';
import css from './PiecePage.module.css';
import type { Passage } from '../pieces/pieces';
import { SIDE, stringPath } from '../pieces/stringPath';
import * as say from '../messages/compiled/piece';
import { beside } from '../words/lists';

const ROWS = ['expected', 'heard'] as const;
const ROW_WORDS = { expected: say.expected(), heard: say.heard() };

/** What was heard of each bar under what was expected of it, as two strings that thicken. */
export function HeardBars({ heard }: { heard: NonNullable<Passage['heard']> }) {
  const width = SIDE * heard.bars.length;
  return (
    <>
      <p role="status">
        <strong>{shortDate(heard.on)}</strong>, ♩ = {heard.tempo}
        {heard.simulated && say.aMadeUpPlayer()}: {heard.words}
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
                <span>{ROW_WORDS[row]}</span>
                <svg
                  viewBox={`0 0 ${width} ${SIDE}`}
                  preserveAspectRatio="none"
                  role="img"
                  aria-label={say.rowOfBars({
                    row: ROW_WORDS[row],
                    bars: beside(
                      heard.bars.map((bar) =>
                        say.bar({ number: bar.number, share: percent(bar[row]) }),
                      ),
                    ),
                  })}
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
  return share === null ? say.notHeard() : `${Math.round(100 * share)} %`;
}
