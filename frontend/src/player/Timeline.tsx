import type { Schemas } from '../api/client';
import { GradeMarks } from '../components/GradeMarks';
import { gradeWord, shortDate } from '../words/words';
import css from './Timeline.module.css';

interface Props {
  lessons: Schemas['TimelineLesson'][];
  rows: Schemas['TimelineRow'][];
}

/** Each finding over the lessons as strings that thin out: thick is strong, a hair is nothing left. */
export function Timeline({ lessons, rows }: Props) {
  return (
    <div className={css.scroll} tabIndex={0} role="region" aria-label="Findings over the lessons">
      <table className={css.timeline}>
        <thead>
          <tr>
            <th scope="col" className={css.corner}>
              <span className="sr-only">Finding</span>
            </th>
            {lessons.map((lesson) => (
              <th scope="col" key={lesson.id}>
                {shortDate(lesson.date)}
              </th>
            ))}
            <th scope="col">
              <span className="sr-only">Change</span>
            </th>
          </tr>
          <tr className={css.focus}>
            <th scope="row">Focus</th>
            {lessons.map((lesson) => (
              <td key={lesson.id}>{lesson.focus[0] ?? ''}</td>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.evidence}>
              <th scope="row">{row.label}</th>
              {lessons.map((lesson, index) => (
                <td key={lesson.id}>
                  <Cell grade={row.grades[index] ?? null} fingers={row.fingers[index] ?? []} />
                </td>
              ))}
              <td className={css.change}>{row.change}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Cell({ grade, fingers }: { grade: number | null; fingers: number[] }) {
  return (
    <span className={css.cell}>
      <GradeMarks grade={grade} size={30} />
      {fingers.length > 0 && <sub>{fingers.join(' ')}</sub>}
      <span className="sr-only">
        {grade === null ? 'not checked' : gradeWord(grade)}
        {fingers.length > 0 && `, finger ${fingers.join(', ')}`}
      </span>
    </span>
  );
}
