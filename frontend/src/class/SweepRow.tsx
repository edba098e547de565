import { useEffect, useRef } from 'react';

import type { Evidence, Schemas } from '../api/client';
import { GradeMarks } from '../components/GradeMarks';
import { gradeWord, INSTRUMENT_WORDS } from '../words/words';
import css from './SweepPage.module.css';

const GRADES = [0, 1, 2, 3];

interface Props {
  row: Schemas['SweepRowOut'];
  check: Evidence;
  active: boolean;
  onGrade: (grade: number) => void;
}

/** One player in a sweep: the grade of the time before and four places to touch. */
export function SweepRow({ row, check, active, onGrade }: Props) {
  const here = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (active) here.current?.scrollIntoView({ block: 'nearest' });
  }, [active]);
  const now = row.now[check.id];
  const before = row.before[check.id];
  const has = row.has.includes(check.id);
  return (
    <li ref={here} className={css.row} data-active={active || undefined}>
      <div className={css.who}>
        <strong>{row.player.name}</strong>
        {row.flag ? (
          <span className={css.flag}>Stop: {row.flag.reasons[0]}. Does not play.</span>
        ) : row.pain ? (
          <span className={css.flag}>Hurt at home: {row.pain.pain} of 10</span>
        ) : (
          <span className="quiet">{INSTRUMENT_WORDS[row.player.instrument]}</span>
        )}
      </div>
      <span className={css.before}>
        {before !== undefined && (
          <>
            last <GradeMarks grade={before} size={20} />
            <span className="sr-only">{gradeWord(before)}</span>
          </>
        )}
      </span>
      {has ? (
        <div className={css.grades} role="group" aria-label={`${row.player.name}: ${check.label}`}>
          {GRADES.map((grade) => (
            <button
              key={grade}
              type="button"
              aria-pressed={now === grade}
              aria-label={gradeWord(grade)}
              title={grade > 0 ? check.means[grade - 1] : undefined}
              onClick={(event) => {
                // The second click of a double click would take the grade back.
                if (event.detail < 2) onGrade(grade);
              }}
            >
              <GradeMarks grade={grade} size={28} />
              <small aria-hidden="true">{gradeWord(grade)}</small>
            </button>
          ))}
        </div>
      ) : (
        <span className="quiet">not on the {INSTRUMENT_WORDS[row.player.instrument]}</span>
      )}
    </li>
  );
}
