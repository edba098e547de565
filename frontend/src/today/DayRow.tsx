import { Link } from 'wouter';

import { Bead } from '../components/Bead';
import { Key } from '../components/Key';
import touch from '../components/touch.module.css';
import { INSTRUMENT_WORDS } from '../words/words';
import type { Row } from './day';
import css from './DayRow.module.css';
import { firstLine, secondLine } from './rowWords';
import * as say from '../messages/compiled/today';

interface Props {
  row: Row;
  isNext: boolean;
  isOpen: boolean;
  isBusy: boolean;
  shortcut: string | undefined;
  /** How the string of time stands at this lesson. */
  string: 'played' | 'playing' | 'ahead';
  /** The time it is, where that lies within this lesson. */
  clock: string | undefined;
  onOpen: () => void;
  onBegin: () => void;
  onTakeBack: () => void;
}

/** One lesson of the day on the string of its time: whom, with what, what is to be known. */
export function DayRow({ row, isNext, isOpen, string, clock, onOpen, ...actions }: Props) {
  const { player } = row;
  const first = firstLine(row);
  return (
    <li
      className={css.row}
      data-done={row.lesson_today !== null || undefined}
      data-away={row.away !== null || undefined}
      data-open={isOpen || undefined}
      data-string={string}
    >
      <button
        type="button"
        className={css.open}
        aria-expanded={isOpen}
        aria-label={say.moreOf({ name: player.name })}
        onClick={onOpen}
      />
      <span className={css.time}>
        {row.time}
        {clock && (
          <small>
            <i>{say.now()} </i>
            {clock}
          </small>
        )}
      </span>
      <Bead as={beadOf(row, isNext)} />
      <div className={css.who}>
        <Link href={`/players/${player.id}`}>{player.name}</Link>
        <span>
          {INSTRUMENT_WORDS[player.instrument]}
          {player.age !== null && `, ${player.age}`}
        </span>
      </div>
      <div className={css.what}>
        <strong className={first.is === 'stop' ? css.flag : undefined}>{first.words}</strong>
        <span>{secondLine(row)}</span>
      </div>
      <RowAction row={row} {...actions} />
    </li>
  );
}

function beadOf(row: Row, isNext: boolean) {
  if (row.flag !== null) return 'stopped';
  if (isNext) return 'now';
  return row.lesson_today === null ? 'open' : 'done';
}

type ActionProps = Pick<Props, 'row' | 'isBusy' | 'shortcut' | 'onBegin' | 'onTakeBack'>;

function RowAction({ row, isBusy, shortcut, onBegin, onTakeBack }: ActionProps) {
  const { name } = row.player;
  const { words, whose, act } =
    row.away !== null
      ? { words: say.back(), whose: say.comesTodayAfterAllOfName({ name }), act: onTakeBack }
      : row.lesson_today
        ? { words: say.goOn(), whose: say.goOnWithTheLesson({ name }), act: onBegin }
        : { words: say.begin(), whose: say.beginTheLessonOf({ name }), act: onBegin };
  return (
    <button
      type="button"
      className={`${touch.word} ${css.begin}`}
      aria-keyshortcuts={row.away === null ? shortcut : undefined}
      disabled={isBusy}
      onClick={act}
    >
      <span aria-hidden="true">{words}</span>
      <span className="sr-only">{whose}</span>
      {shortcut && row.away === null && <Key name={shortcut} />}
    </button>
  );
}
