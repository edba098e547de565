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
import * as say from '../messages/compiled/today';
import { beside, listed } from '../words/lists';

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
  say.mondays(),
  say.tuesdays(),
  say.wednesdays(),
  say.thursdays(),
  say.fridays(),
  say.saturdays(),
  say.sundays(),
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
          {say.done()}
          <Key name="Esc" />
        </button>
      </header>
      <Scroll className={css.said}>
        <p>
          {beside([INSTRUMENT_WORDS[player.instrument], player.age, comes])}
          <Link className={touch.word} href={`/players/${player.id}`}>
            {say.pageOf({ name: player.name })}
          </Link>
        </p>
        <dl>
          {row.flag && <Line name={say.stop()} says={listed(row.flag.reasons)} isStop />}
          {row.pain && <Line name={say.pain()} says={painWords(row.pain)} isStop />}
          <Line name={say.focus()} says={listed(row.focus) || say.noneYet()} />
          <Line name={say.lookAgain()} says={listed(row.due) || say.nothingDue()} />
          <Line name={say.atHome()} says={row.home ? homeWords(row.home) : say.nothingTold()} />
          <Line name={say.week()} says={row.flag ? 'rests' : weekWords(row) || 'none'} />
          <Line
            name={say.lastSeen()}
            says={row.last_lesson ? shortDate(row.last_lesson) : say.notYet()}
          />
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
          {say.comesTodayAfterAll()}
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
        {say.absentToday()}
        <Key name="a" />
      </button>
      {other ? (
        <OtherDay date={date} onAway={onAway} />
      ) : (
        <div className={css.slots} role="group" aria-label={say.movedTo()}>
          <span aria-hidden="true">{say.movedTo()}</span>
          {free.map(({ on, at }) => (
            <button key={on} type="button" onClick={() => onAway(on, at)}>
              <strong>{weekday(on)}</strong>
              <small>
                {shortDate(on)}, {at}
              </small>
            </button>
          ))}
          <button type="button" onClick={() => setOther(true)}>
            <strong>{say.other()}</strong>
            <small>{say.dayOrTime()}</small>
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
        {say.movedTo()}
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
        {say.at()}
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
        {say.moveIt()}
      </button>
    </form>
  );
}
