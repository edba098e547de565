import type { Schemas } from '../api/client';
import { SeenHand } from '../drawings/SeenHand';
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
        <SeenHand
          instrument={instrument}
          signs={then}
          words={`Then, from ${shortDate(first.date)}`}
        />
        <SeenHand instrument={instrument} signs={now} words={`Now, ${shortDate(last.date)}`} />
      </div>
    </section>
  );
}
