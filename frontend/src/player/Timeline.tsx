import { GradeMarks } from '../components/GradeMarks';
import { gradeWord, shortDate } from '../words/words';
import css from './Timeline.module.css';
import * as say from '../messages/compiled/player';
import { listed } from '../words/lists';

interface Row {
  key: string;
  label: string;
  /** By lesson; null where nobody looked. */
  grades: (number | null)[];
  /** By lesson, the fingers that showed it most. */
  fingers?: number[][];
  change: string;
}

interface Props {
  name: string;
  lessons: { id: number; date: string }[];
  /** What each lesson worked on, as a row of its own. */
  focus?: string[];
  rows: Row[];
}

/** Signs over the lessons, one column a lesson, with how each has truly changed at the end. */
export function Timeline({ name, lessons, focus, rows }: Props) {
  return (
    <div className={css.scroll} tabIndex={0} role="region" aria-label={name}>
      <table className={css.timeline}>
        <thead>
          <tr>
            <th scope="col" className={css.corner}>
              <span className="sr-only">{say.sign()}</span>
            </th>
            {lessons.map((lesson) => (
              <th scope="col" key={lesson.id}>
                {shortDate(lesson.date)}
              </th>
            ))}
            <th scope="col">
              <span className="sr-only">{say.change()}</span>
            </th>
          </tr>
          {focus && (
            <tr className={css.focus}>
              <th scope="row">{say.focus()}</th>
              {lessons.map((lesson, index) => (
                <td key={lesson.id}>{focus[index]}</td>
              ))}
              <td />
            </tr>
          )}
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.key}>
              <th scope="row">{row.label}</th>
              {lessons.map((lesson, index) => (
                <td key={lesson.id}>
                  <Cell grade={row.grades[index] ?? null} fingers={row.fingers?.[index] ?? []} />
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
  const words = grade === null ? say.notChecked() : gradeWord(grade);
  return (
    <span className={css.cell}>
      <GradeMarks grade={grade} size={30} />
      {fingers.length > 0 && <sub>{fingers.join(' ')}</sub>}
      <span className="sr-only">
        {fingers.length > 0
          ? say.fingerOfFingers({ grade: words, fingers: listed(fingers) })
          : words}
      </span>
    </span>
  );
}
