import { useQuery } from '@tanstack/react-query';

import { handQuery } from '../api/handQueries';
import { HandPaths } from './HandPaths';
import css from './SeenHand.module.css';
import { useThumbPlace } from './thumbPlace';

interface Props {
  instrument: string;
  /** What was seen, as `signsOf` tells it. */
  signs: string;
  words: string;
}

/** The drawn hand in the posture of what was seen, with its words below. */
export function SeenHand({ instrument, signs, words }: Props) {
  const thumb = useThumbPlace();
  const hand = useQuery(handQuery(instrument, signs, { thumb })).data;
  return (
    <figure className={css.one}>
      {hand ? (
        <svg viewBox={`0 0 ${hand.width} ${hand.height}`} role="img" aria-label={words}>
          <HandPaths hand={hand} />
        </svg>
      ) : (
        <div className={css.waiting} data-pending />
      )}
      <figcaption>{words}</figcaption>
    </figure>
  );
}
