import type { Schemas } from '../api/client';
import css from './StopLooks.module.css';
import * as say from '../messages/compiled/exercise';

interface Props {
  /** A week that was kept before there were any has none. */
  looks: Schemas['StopLookOut'][] | undefined;
}

/** What is looked at where the tune stops, in this order, with the signs that stand in its music. */
export function StopLooks({ looks = [] }: Props) {
  if (looks.length === 0) return null;
  return (
    <p className={css.looks}>
      {say.atEachStop()}
      {looks.map(({ words, sign }) => (
        <span key={words}>
          <svg viewBox="0 0 24 24" aria-hidden="true">
            <path d={sign} />
          </svg>
          {words}
        </span>
      ))}
    </p>
  );
}
