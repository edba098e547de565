import type { Schemas } from '../api/client';
import css from './Hand.module.css';
import { HandPaths } from './HandPaths';

/** One small drawn hand; without words it only decorates what says the same. */
export function Hand({ frame, words }: { frame: Schemas['FrameOut']; words: string }) {
  return (
    <svg
      className={css.hand}
      viewBox={`0 0 ${frame.width} ${frame.height}`}
      {...(words ? { role: 'img', 'aria-label': words } : { 'aria-hidden': true })}
    >
      <HandPaths hand={frame} />
    </svg>
  );
}
