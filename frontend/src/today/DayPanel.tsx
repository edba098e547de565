import { type SyntheticEvent, useState } from 'react';
import { Link } from 'wouter';

import type { Schemas } from '../api/client';
import field from '../components/field.module.css';
import { Key } from '../components/Key';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { INSTRUMENT_WORDS, shortDate, weekday } from '../words/words';
import type { Row } from './day';
import css from './DayPanel.module.css';
import { homeWords, painWords, weekWords } from './rowWords';

interface Props {
  row: Row;
  /** Today, as YYYY-MM-DD. */
  date: string;
  free: Schemas['DayOut']['free'];
  problem: string | null;
  onAway: (to: string | null, at: string | null) => void;
  onTakeBack: () => void;
  onClose: () => void;
}

const WEEKDAYS = [
  'Mondays',
  'Tuesdays',
  'Wednesdays',
  'Thursdays',
  'Fridays',
  'Saturdays',
  'Sundays',
];

/** One player of the list, opened: what is to be known before the lesson, and whether it is. */
export function DayPanel({ row, date, free, problem, onAway, onTakeBack, onClose }: Props) {
  const { player } = row;
  const comes = row.is_today ? row.time : row.weekday === null ? null : WEEKDAYS[row.weekday];
  return (
    <>
      <header className={css.top}>
        <h2>{player.name}</h2>
        <button type="button" className={touch.word} aria-keyshortcuts="Escape" onClick={onClose}>
          Done
          <Key name="Esc" />
        </button>
      </header>
      <Scroll className={css.said}>
        <p>
          {[INSTRUMENT_WORDS[player.instrument], player.age, comes].filter(Boolean).join(', ')}
          <Link className={touch.word} href={`/players/${player.id}`}>
            Page of {player.name}
          </Link>
        </p>
        <dl>
          {row.flag && <Line name="Stop" says={row.flag.reasons.join(', ')} isStop />}
          {row.pain && <Line name="Pain" says={painWords(row.pain)} isStop />}
          <Line name="Focus" says={row.focus.join(', ') || 'none yet'} />
          <Line name="Look again" says={row.due.join(', ') || 'nothing due'} />
          <Line name="At home" says={row.home ? homeWords(row.home) : 'nothing told'} />
          <Line name="Week" says={row.flag ? 'rests' : weekWords(row) || 'none'} />
          <Line name="Last seen" says={row.last_lesson ? shortDate(row.last_lesson) : 'not yet'} />
        </dl>
      </Scroll>
      {row.is_today && row.lesson_today === null && (
        <Away date={date} free={free} problem={problem} {...{ row, onAway, onTakeBack }} />
      )}
    </>
  );
}

function Line({ name, says, isStop }: { name: string; says: string; isStop?: boolean }) {
  return (
    <div data-stop={isStop || undefined}>
      <dt>{name}</dt>
      <dd>{says}</dd>
    </div>
  );
}

type AwayProps = Pick<Props, 'row' | 'date' | 'free' | 'problem' | 'onAway' | 'onTakeBack'>;

/** Absent, or moved to one of the next free times, or to any other day. */
function Away({ row, date, free, problem, onAway, onTakeBack }: AwayProps) {
  const [other, setOther] = useState(false);
  const told = problem && (
    <p role="alert" className={css.problem}>
      {problem}
    </p>
  );
  if (row.away) {
    return (
      <div className={css.away}>
        <button
          type="button"
          className={`${touch.line} ${css.absent}`}
          aria-keyshortcuts="a"
          onClick={onTakeBack}
        >
          Comes today after all
          <Key name="a" />
        </button>
        {told}
      </div>
    );
  }
  return (
    <div className={css.away}>
      <button
        type="button"
        className={`${touch.line} ${css.absent}`}
        aria-keyshortcuts="a"
        onClick={() => onAway(null, null)}
      >
        Absent today
        <Key name="a" />
      </button>
      {other ? (
        <OtherDay date={date} onAway={onAway} />
      ) : (
        <div className={css.slots} role="group" aria-label="Moved to">
          <span aria-hidden="true">Moved to</span>
          {free.map(({ on, at }) => (
            <button key={on} type="button" onClick={() => onAway(on, at)}>
              <strong>{weekday(on)}</strong>
              <small>
                {shortDate(on)}, {at}
              </small>
            </button>
          ))}
          <button type="button" onClick={() => setOther(true)}>
            <strong>Other</strong>
            <small>day or time</small>
          </button>
        </div>
      )}
      {told}
    </div>
  );
}

function OtherDay({ date, onAway }: Pick<Props, 'date' | 'onAway'>) {
  const [to, setTo] = useState(date);
  const [at, setAt] = useState('');
  function submit(event: SyntheticEvent) {
    event.preventDefault();
    onAway(to, at);
  }
  return (
    <form className={css.other} onSubmit={submit}>
      <label>
        Moved to
        <input
          className={field.field}
          type="date"
          required
          min={date}
          value={to}
          onChange={(event) => setTo(event.currentTarget.value)}
        />
      </label>
      <label>
        at
        <input
          className={field.field}
          type="time"
          required
          autoFocus
          value={at}
          onChange={(event) => setAt(event.currentTarget.value)}
        />
      </label>
      <button type="submit" className={touch.button}>
        Move it
      </button>
    </form>
  );
}
