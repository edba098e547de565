import { useEffect, useRef } from 'react';

import type { Evidence, Schemas } from '../api/client';
import { GradeMarks } from '../components/GradeMarks';
import { ALL_KEY, FINGER_KEYS, FINGERS, toggled } from '../words/fingers';
import { gradeWord, INSTRUMENT_WORDS } from '../words/words';
import css from './SweepPage.module.css';

const GRADES = [0, 1, 2, 3];

interface Props {
  row: Schemas['SweepRowOut'];
  check: Evidence;
  active: boolean;
  /** It was graded last and may still be told on which finger. */
  asks: boolean;
  onGrade: (grade: number) => void;
  onFingers: (fingers: number[]) => void;
}

/** One player in a sweep: the grade of the time before and four places to touch. */
export function SweepRow({ row, check, active, asks, onGrade, onFingers }: Props) {
  const here = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (active) here.current?.scrollIntoView({ block: 'nearest' });
  }, [active]);
  const now = row.now[check.id];
  const before = row.before[check.id];
  const fingers = row.fingers[check.id] ?? [];
  const isThere = check.per_finger && now !== undefined && now > 0;
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
      {has && isThere && (asks || fingers.length > 0) && (
        <div className={css.fingers} role="group" aria-label={`${row.player.name}: which finger`}>
          <span>{fingers.length === 0 ? 'Which finger?' : 'on'}</span>
          {FINGERS.map((finger) => (
            <button
              key={finger}
              type="button"
              aria-pressed={fingers.includes(finger)}
              aria-label={`Finger ${finger}`}
              aria-keyshortcuts={asks ? FINGER_KEYS[finger - 1] : undefined}
              onClick={() => onFingers(toggled(fingers, finger))}
            >
              {finger}
            </button>
          ))}
          <button
            type="button"
            aria-pressed={fingers.length === FINGERS.length}
            aria-keyshortcuts={asks ? ALL_KEY : undefined}
            onClick={() => onFingers(FINGERS)}
          >
            all
          </button>
        </div>
      )}
    </li>
  );
}
