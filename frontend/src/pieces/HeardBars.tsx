import { shortDate } from '../words/words';
import css from './PiecePage.module.css';
import type { Passage } from './pieces';
import { SIDE, stringPath } from './stringPath';

const ROWS = [
  ['expected', 'expected'],
  ['heard', 'heard'],
] as const;

/** What was heard of each bar under what was expected of it, as two strings that thicken. */
export function HeardBars({ heard }: { heard: NonNullable<Passage['heard']> }) {
  const width = SIDE * heard.bars.length;
  return (
    <>
      <p role="status">
        <strong>{shortDate(heard.on)}</strong>, ♩ = {heard.tempo}
        {heard.simulated && ', a made-up player'}: {heard.words}
      </p>
      {heard.usable && (
        <figure className={css.heard}>
          {ROWS.map(([row, words]) => {
            const shares = heard.bars.map((bar) => bar[row] ?? 0);
            return (
              <div key={row}>
                <span>{words}</span>
                <svg
                  viewBox={`0 0 ${width} ${SIDE}`}
                  width={width}
                  height={SIDE}
                  role="img"
                  aria-label={`${words}: ${heard.bars.map((bar) => `bar ${bar.number} ${percent(bar[row])}`).join(', ')}`}
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
              </div>
            );
          })}
          <div aria-hidden="true">
            <span />
            {heard.bars.map((bar) => (
              <b key={bar.number}>{bar.number}</b>
            ))}
          </div>
        </figure>
      )}
    </>
  );
}

function percent(share: number | null): string {
  return share === null ? 'not heard' : `${Math.round(100 * share)} %`;
}
