import type { Schemas } from '../api/client';
import { GradeMarks } from '../components/GradeMarks';
import { SeenHand } from '../drawings/SeenHand';
import { gradeWord, shortDate } from '../words/words';
import css from './ThenAndNow.module.css';
import { signChanges, thenAndNow } from './thenAndNow';
import * as say from '../messages/compiled/player';

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
    <section className={css.part} id="then" aria-labelledby="then-title">
      <h2 id="then-title">{say.thenAndNow()}</h2>
      <div className={css.both}>
        <SeenHand
          instrument={instrument}
          signs={then}
          words={say.thenOn({ date: shortDate(first.date) })}
        />
        <SeenHand
          instrument={instrument}
          signs={now}
          words={say.now({ date: shortDate(last.date) })}
        />
        <ul>
          {signChanges(rows).map((sign) => (
            <li key={sign.evidence}>
              <span>
                {sign.label}
                {sign.lastSeen < lessons.length - 1 && (
                  <small>
                    {say.lastSeen({ date: shortDate(lessons[sign.lastSeen]?.date ?? '') })}
                  </small>
                )}
              </span>
              <Grade grade={sign.then} />
              <span aria-hidden="true">→</span>
              <Grade grade={sign.now} />
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}

function Grade({ grade }: { grade: number }) {
  return (
    <>
      <GradeMarks grade={grade} size={44} />
      <span className="sr-only">{gradeWord(grade)}</span>
    </>
  );
}
