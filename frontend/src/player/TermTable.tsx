import type { Schemas } from '../api/client';
import touch from '../components/touch.module.css';
import { Timeline } from './Timeline';
import css from './Term.module.css';
import * as say from '../messages/compiled/player';
import { listed } from '../words/lists';

interface Props {
  string: Schemas['TermStringOut'];
  lessons: Schemas['TermLesson'][];
  onClose: () => void;
}

const SHOWN = 20;

/** The signs of one cause, lesson by lesson: the second look, when a string is opened. */
export function TermTable({ string, lessons, onClose }: Props) {
  const late = lessons.slice(-SHOWN);
  const rows = string.signs.map((sign) => ({
    key: `${sign.evidence}/${sign.finger ?? ''}`,
    label: sign.finger === null ? sign.label : say.fingerOfFinger({ finger: sign.finger }),
    grades: late.map((lesson) => sign.grades[lesson.id] ?? null),
    change: sign.answer,
  }));
  return (
    <section className={css.signs} aria-label={say.signsOf({ name: string.name })}>
      <div className={css.bar}>
        <h2>
          {string.name}: {string.answer}
        </h2>
        <button type="button" className={touch.word} onClick={onClose}>
          {say.close()}
        </button>
      </div>
      {string.helped.length > 0 && <p>{say.lessOfItAfter({ helped: listed(string.helped) })}</p>}
      <Timeline name={say.signsOverTheLessons()} lessons={late} rows={rows} />
    </section>
  );
}
