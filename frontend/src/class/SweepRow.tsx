import { useEffect, useRef } from 'react';

import type { Evidence, Schemas } from '../api/client';
import { Fingers } from '../components/Fingers';
import { GradeString } from '../components/GradeString';
import { gradeWord, INSTRUMENT_WORDS, painSaid } from '../words/words';
import css from './SweepRow.module.css';
import * as say from '../messages/compiled/class';

const GRADES = [0, 1, 2, 3];

interface Props {
  row: Schemas['SweepRowOut'];
  check: Evidence;
  active: boolean;
  /** It was graded last and may still be told on which finger. */
  asks: boolean;
  onGrade: (grade: number) => void;
  onFingers: (fingers: number[]) => void;
  onAsk: () => void;
}

/** One player in a sweep: four places to touch, the grade of last time marked in its own. */
export function SweepRow({ row, check, active, asks, onGrade, onFingers, onAsk }: Props) {
  const here = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (active) here.current?.scrollIntoView({ block: 'nearest' });
  }, [active]);
  const now = row.now[check.id];
  const before = row.before[check.id];
  const fingers = row.fingers[check.id] ?? [];
  const isThere = check.per_finger && now !== undefined && now > 0;
  if (!row.has.includes(check.id)) {
    return (
      <li ref={here} className={css.row}>
        <Who row={row} />
        <span className={css.none}>
          {say.notOnThe({ instrument: INSTRUMENT_WORDS[row.player.instrument] ?? '' })}
        </span>
      </li>
    );
  }
  return (
    <li ref={here} className={css.row} data-active={active || undefined}>
      <Who row={row} />
      <div className={css.cells} role="group" aria-label={`${row.player.name}: ${check.label}`}>
        {GRADES.map((grade) => (
          <button
            key={grade}
            type="button"
            aria-pressed={now === grade}
            aria-label={
              before === grade ? say.asLastTime({ grade: gradeWord(grade) }) : gradeWord(grade)
            }
            title={grade > 0 ? check.means[grade - 1] : check.free}
            data-last={before === grade || undefined}
            onClick={(event) => {
              // The second click of a double click would take the grade back.
              if (event.detail < 2) onGrade(grade);
            }}
          >
            <GradeString grade={grade} width={58} height={22} bead={5.5} />
          </button>
        ))}
      </div>
      {isThere && (asks || fingers.length > 0) && (
        <div
          className={css.fingers}
          role="group"
          aria-label={say.whichFinger({ name: row.player.name })}
        >
          {fingers.length === 0 && <span className="sr-only">{say.whichFingerAlone()}</span>}
          <Fingers chosen={fingers} hasKeys={asks} onChoose={onFingers} />
        </div>
      )}
      {isThere && !asks && fingers.length === 0 && (
        <button type="button" className={css.which} onClick={onAsk}>
          {say.whichFingerInside()}
        </button>
      )}
    </li>
  );
}

function Who({ row }: { row: Schemas['SweepRowOut'] }) {
  return (
    <div className={css.who}>
      <strong>{row.player.name}</strong>
      {row.flag ? (
        <span className={css.flag}>
          {say.stopDoesNotPlay({ reasons: row.flag.reasons[0] ?? '' })}
        </span>
      ) : row.pain ? (
        <span className={css.flag}>{say.hurtAtHome({ pain: painSaid(row.pain.pain) })}</span>
      ) : (
        <span className="quiet">{INSTRUMENT_WORDS[row.player.instrument]}</span>
      )}
    </div>
  );
}
