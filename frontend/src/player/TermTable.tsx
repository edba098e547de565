import type { Schemas } from '../api/client';
import { GradeMarks } from '../components/GradeMarks';
import { gradeWord, shortDate } from '../words/words';
import css from './Timeline.module.css';

interface Props {
  string: Schemas['TermStringOut'];
  lessons: Schemas['TermLesson'][];
  onClose: () => void;
}

const SHOWN = 20;

/** The signs of one cause, lesson by lesson: the second look, when a string is opened. */
export function TermTable({ string, lessons, onClose }: Props) {
  const late = lessons.slice(-SHOWN);
  return (
    <section aria-label={`Signs of: ${string.name}`}>
      <div className={css.opened}>
        <h2>
          {string.name}: {string.answer}
        </h2>
        <button type="button" onClick={onClose}>
          Close
        </button>
      </div>
      {string.helped.length > 0 && <p>Less of it after: {string.helped.join(', ')}.</p>}
      <div className={css.scroll} tabIndex={0} role="region" aria-label="Signs over the lessons">
        <table className={css.timeline}>
          <thead>
            <tr>
              <th scope="col" className={css.corner}>
                <span className="sr-only">Sign</span>
              </th>
              {late.map((lesson) => (
                <th scope="col" key={lesson.id}>
                  {shortDate(lesson.date)}
                </th>
              ))}
              <th scope="col">
                <span className="sr-only">Change</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {string.signs.map((sign) => (
              <tr key={`${sign.evidence}/${sign.finger ?? ''}`}>
                <th scope="row">{sign.finger === null ? sign.label : `finger ${sign.finger}`}</th>
                {late.map((lesson) => (
                  <td key={lesson.id}>
                    <Grade grade={sign.grades[lesson.id] ?? null} />
                  </td>
                ))}
                <td className={css.change}>{sign.answer}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Grade({ grade }: { grade: number | null }) {
  return (
    <span className={css.cell}>
      <GradeMarks grade={grade} size={30} />
      <span className="sr-only">{grade === null ? 'not checked' : gradeWord(grade)}</span>
    </span>
  );
}
