import type { Schemas } from '../api/client';
import touch from '../components/touch.module.css';
import { Timeline } from './Timeline';
import css from './Term.module.css';

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
    label: sign.finger === null ? sign.label : `finger ${sign.finger}`,
    grades: late.map((lesson) => sign.grades[lesson.id] ?? null),
    change: sign.answer,
  }));
  return (
    <section className={css.signs} aria-label={`Signs of: ${string.name}`}>
      <div className={css.bar}>
        <h2>
          {string.name}: {string.answer}
        </h2>
        <button type="button" className={touch.word} onClick={onClose}>
          Close
        </button>
      </div>
      {string.helped.length > 0 && <p>Less of it after: {string.helped.join(', ')}.</p>}
      <Timeline name="Signs over the lessons" lessons={late} rows={rows} />
    </section>
  );
}
