import type { ReactNode } from 'react';

import css from './tools.module.css';

interface Props {
  big: string;
  words: string;
  running: boolean;
  onTouch: () => void;
  /** How far it is, 0 to 1. */
  share?: number;
  /** A step down at the left, a step up at the right. */
  less?: { words: string; onTouch: () => void };
  more?: { words: string; onTouch: () => void };
  children?: ReactNode;
}

/** A tool's whole face is its button: what it shows large, what a touch does, how far it is. */
export function Face({ big, words, running, onTouch, share = 0, less, more, children }: Props) {
  return (
    <>
      <div className={css.face}>
        {less && (
          <button type="button" className={css.step} aria-label={less.words} onClick={less.onTouch}>
            −
          </button>
        )}
        <button
          type="button"
          className={`${css.go} ${less ? '' : css.wide}`}
          aria-pressed={running}
          onClick={onTouch}
        >
          <span className={css.big} data-long={big.length > 5 || undefined}>
            {big}
          </span>
          <span>{words}</span>
        </button>
        {more && (
          <button type="button" className={css.step} aria-label={more.words} onClick={more.onTouch}>
            +
          </button>
        )}
      </div>
      {children}
      <div className={css.bead} aria-hidden="true">
        <i style={{ left: `calc(${100 * share}% - ${14 * share}px)` }} />
      </div>
    </>
  );
}
