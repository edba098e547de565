import { useQuery } from '@tanstack/react-query';

import type { Schemas } from '../api/client';
import { handQuery } from '../api/queries';
import { HandPaths } from '../drawings/HandPaths';
import { shortDate } from '../words/words';
import css from './ThenAndNow.module.css';
import { thenAndNow } from './thenAndNow';

interface Props {
  instrument: string;
  lessons: Schemas['TimelineLesson'][];
  rows: Schemas['TimelineRow'][];
}

/** The hand as it was first seen and as it was last seen; nothing while both are the same. */
export function ThenAndNow({ instrument, lessons, rows }: Props) {
  const { then, now } = thenAndNow(rows);
  const first = lessons[0];
  const last = lessons.at(-1);
  if (!first || !last || first === last || then === now) return null;
  return (
    <section aria-label="Then and now">
      <div className={css.both}>
        <Seen instrument={instrument} signs={then} words={`Then, from ${shortDate(first.date)}`} />
        <Seen instrument={instrument} signs={now} words={`Now, ${shortDate(last.date)}`} />
      </div>
    </section>
  );
}

function Seen({ instrument, signs, words }: { instrument: string; signs: string; words: string }) {
  const hand = useQuery(handQuery(instrument, signs)).data;
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
