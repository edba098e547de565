import { Link } from 'wouter';

import { Bead } from '../components/Bead';
import { Key } from '../components/Key';
import touch from '../components/touch.module.css';
import { INSTRUMENT_WORDS, minutesWords, shortDate } from '../words/words';
import type { Row } from './day';
import css from './DayRow.module.css';

interface Props {
  row: Row;
  shortcut: string | undefined;
  isBusy: boolean;
  onBegin: () => void;
}

/** One lesson of the day on the string of its time: whom, with what, what is to be known. */
export function DayRow({ isNext, ...props }: Props & { isNext: boolean }) {
  const { row } = props;
  return (
    <li className={css.row} data-done={row.lesson_today !== null || undefined}>
      <span className={css.time}>{row.time}</span>
      <Bead as={beadOf(row, isNext)} />
      <Who row={row} />
      <What row={row} />
      <Begin {...props} />
    </li>
  );
}

function beadOf(row: Row, isNext: boolean) {
  if (row.flag !== null) return 'stopped';
  if (isNext) return 'now';
  return row.lesson_today === null ? 'open' : 'done';
}

/** A player who does not come today. */
export function PlayerRow(props: Props) {
  return (
    <li className={css.other}>
      <div>
        <Who row={props.row} />
        {(props.row.flag !== null || props.row.pain !== null) && <What row={props.row} />}
      </div>
      <Begin {...props} />
    </li>
  );
}

function Who({ row: { player } }: { row: Row }) {
  return (
    <div className={css.who}>
      <Link href={`/players/${player.id}`}>{player.name}</Link>
      <span>
        {INSTRUMENT_WORDS[player.instrument]}
        {player.age !== null && `, ${player.age}`}
      </span>
    </div>
  );
}

function What({ row }: { row: Row }) {
  return (
    <div className={css.what}>
      {row.flag ? (
        <strong className={css.flag}>Stop: {row.flag.reasons[0]}</strong>
      ) : row.focus.length > 0 ? (
        <strong>{row.focus.join(', ')}</strong>
      ) : (
        <strong>{row.due.length > 0 ? 'Look again' : 'no focus yet'}</strong>
      )}
      <span>{lineOf(row)}</span>
    </div>
  );
}

/** The one thing to know below it. */
function lineOf(row: Row): string {
  if (row.pain) return `Hurt at home on ${shortDate(row.pain.date)}: ${row.pain.pain} of 10`;
  if (row.due.length > 0) return `look again: ${row.due.join(', ').toLowerCase()}`;
  if (!row.last_lesson) return 'first lesson';
  const given =
    row.minutes !== null && row.minutes > 0 && !row.flag
      ? `, ${minutesWords(row.minutes)} a day`
      : '';
  return `last seen ${shortDate(row.last_lesson)}${given}`;
}

function Begin({ row, shortcut, isBusy, onBegin }: Props) {
  const words = row.lesson_today ? 'Go on' : 'Begin';
  return (
    <button
      type="button"
      className={touch.word}
      aria-keyshortcuts={shortcut}
      disabled={isBusy}
      onClick={onBegin}
    >
      <span aria-hidden="true">{words}</span>
      <span className="sr-only">
        {row.lesson_today ? 'Go on with' : 'Begin'} the lesson of {row.player.name}
      </span>
      {shortcut && <Key name={shortcut} />}
    </button>
  );
}
