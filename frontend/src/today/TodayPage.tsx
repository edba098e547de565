import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'wouter';

import { late } from '../components/late';
import type { Schemas } from '../api/client';
import { todayQuery } from '../api/queries';
import { useStartLesson } from '../api/useStartLesson';
import { KeysHere } from '../components/KeysHere';
import { Problem } from '../components/Problem';
import { StringsRule } from '../components/StringsRule';
import { useKeys } from '../components/useKeys';
import { INSTRUMENT_WORDS, minutesWords, shortDate } from '../words/words';
import { BringIn } from './BringIn';
import { usePageTitle } from '../components/usePageTitle';
import css from './TodayPage.module.css';

type Row = Schemas['DayRowOut'];

const PlayerDialog = late(async () => (await import('../components/PlayerDialog')).PlayerDialog);

/** The day's lessons in order, then the other players. */
export function TodayPage() {
  usePageTitle('Today');
  const day = useQuery(todayQuery);
  const start = useStartLesson();
  // In the order in which they stand on the page.
  const order = day.data ? inOrder(day.data.rows) : [];
  useKeys(
    Object.fromEntries(
      order.slice(0, MOST_KEYS).map((row, i) => [`${i + 1}`, () => start.mutate(row.player.id)]),
    ),
  );
  const [adding, setAdding] = useState(false);
  if (day.error) return <Problem error={day.error} onRetry={() => void day.refetch()} />;
  if (!day.data) return null;
  const urgent = day.data.rows.filter(isUrgent);
  const calm = day.data.rows.filter((row) => !urgent.includes(row));
  const today = calm.filter((row) => row.is_today);
  const others = calm.filter((row) => !row.is_today);
  const date = new Date(`${day.data.date}T12:00:00`);
  return (
    <div className={css.page}>
      <KeysHere />
      <h1>
        {date.toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })}
      </h1>
      <StringsRule />
      {urgent.length > 0 && (
        <ul className={css.list} aria-label="Stopped or in pain">
          {urgent.map((row) => (
            <PlayerRow
              key={row.player.id}
              row={row}
              place={order.indexOf(row)}
              main={row.is_today}
            />
          ))}
        </ul>
      )}
      {today.length === 0 ? (
        <p className={css.empty}>
          {day.data.rows.length > 0
            ? 'No lessons on this weekday. Pick a player below to begin one.'
            : 'Nobody is here yet. Add your first player; a name and an instrument are enough.'}
        </p>
      ) : (
        <ol className={css.list} aria-label="Lessons today">
          {today.map((row) => (
            <PlayerRow key={row.player.id} row={row} place={order.indexOf(row)} main />
          ))}
        </ol>
      )}
      {day.data.lines.length > 0 && (
        <section aria-label="Worth a thought">
          <h2 className={css.others}>Worth a thought</h2>
          <ul className={css.lines}>
            {day.data.lines.map((line) => (
              <li key={line.player}>
                <Link href={`/players/${line.player}`}>{line.name}</Link> {line.words}
              </li>
            ))}
          </ul>
        </section>
      )}
      {others.length > 0 && (
        <>
          <h2 className={css.others}>Other players</h2>
          <ul className={css.list}>
            {others.map((row) => (
              <PlayerRow key={row.player.id} row={row} place={order.indexOf(row)} />
            ))}
          </ul>
        </>
      )}
      <div>
        <Button
          variant={day.data.rows.length === 0 ? 'filled' : 'default'}
          onClick={() => setAdding(true)}
        >
          New player
        </Button>
        <BringIn />
      </div>
      {adding && <PlayerDialog opened onClose={() => setAdding(false)} player={null} />}
    </div>
  );
}

const MOST_KEYS = 9;

function isUrgent(row: Row): boolean {
  return row.flag !== null || row.pain !== null;
}

function inOrder(rows: Row[]): Row[] {
  const calm = rows.filter((row) => !isUrgent(row));
  return [
    ...rows.filter(isUrgent),
    ...calm.filter((row) => row.is_today),
    ...calm.filter((row) => !row.is_today),
  ];
}

interface PlayerRowProps {
  row: Row;
  /** Its place on the page; the first nine begin at their number. */
  place: number;
  main?: boolean;
}

function PlayerRow({ row, place, main = false }: PlayerRowProps) {
  const start = useStartLesson();
  const { player } = row;
  return (
    <li className={css.row}>
      <span className={css.time}>{main ? row.time : ''}</span>
      <div className={css.who}>
        <Link className={css.name} href={`/players/${player.id}`}>
          {player.name}
        </Link>
        <span className="quiet">
          {INSTRUMENT_WORDS[player.instrument]}
          {player.age !== null && `, ${player.age}`}
          {player.piece && ` · ${player.piece}`}
        </span>
      </div>
      <div className={css.focus}>
        {row.flag ? (
          <span className={css.flag}>Stop: {row.flag.reasons[0]}</span>
        ) : row.focus.length > 0 ? (
          <strong>{row.focus.join(', ')}</strong>
        ) : (
          row.due.length === 0 && <span className="quiet">no focus yet</span>
        )}
        {row.pain && (
          <span className={css.flag}>
            Hurt at home on {shortDate(row.pain.date)}: {row.pain.pain} of 10
          </span>
        )}
        {row.due.length > 0 && <span>look again: {row.due.join(', ').toLowerCase()}</span>}
        <span className="quiet">
          {row.last_lesson ? `last seen ${shortDate(row.last_lesson)}` : 'first lesson'}
          {row.minutes !== null &&
            row.minutes > 0 &&
            !row.flag &&
            ` · ${minutesWords(row.minutes)} a day`}
        </span>
      </div>
      <Button
        variant={main ? 'filled' : 'default'}
        aria-label={`${row.lesson_today ? 'Go on with' : 'Begin'} the lesson of ${player.name}`}
        aria-keyshortcuts={place < MOST_KEYS ? String(place + 1) : undefined}
        loading={start.isPending}
        onClick={() => start.mutate(player.id)}
      >
        {row.lesson_today ? 'Go on' : 'Begin'}
      </Button>
    </li>
  );
}
