import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'wouter';

import type { Schemas } from '../api/client';
import { todayQuery } from '../api/queries';
import { useStartLesson } from '../api/useStartLesson';
import { KeysHere } from '../components/KeysHere';
import { late } from '../components/late';
import { NextAction } from '../components/NextAction';
import { Problem } from '../components/Problem';
import screen from '../components/screen.module.css';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { usePageTitle } from '../components/usePageTitle';
import { usePointerLeavesNoFocus } from '../components/usePointerLeavesNoFocus';
import { BringIn } from './BringIn';
import { dayOf, type Row } from './day';
import { DayRow, PlayerRow } from './DayRow';
import css from './TodayPage.module.css';

const PlayerDialog = late(async () => (await import('../components/PlayerDialog')).PlayerDialog);

const MOST_KEYS = 9;

/** The day in order of time on the left, what is worth a thought and the others on the right. */
export function TodayPage() {
  usePageTitle('Today');
  const day = useQuery(todayQuery);
  if (day.error) return <Problem error={day.error} onRetry={() => void day.refetch()} />;
  if (!day.data) return null;
  return <Day data={day.data} />;
}

function Day({ data }: { data: Schemas['DayOut'] }) {
  usePointerLeavesNoFocus();
  const start = useStartLesson();
  const [adding, setAdding] = useState(false);
  const { today, urgent, others, next } = dayOf(data.rows, clock());
  const order = [...today, ...urgent, ...others].slice(0, MOST_KEYS);
  const keyOf = (row: Row) => {
    const place = order.indexOf(row);
    return place === -1 ? undefined : String(place + 1);
  };
  const begin = (row: Row) => start.mutate(row.player.id);
  const isEmpty = data.rows.length === 0;
  const goOn = isEmpty ? () => setAdding(true) : next ? () => begin(next) : undefined;
  useKeys({
    ...Object.fromEntries(order.map((row, i) => [String(i + 1), () => begin(row)])),
    Enter: goOn,
  });
  const date = new Date(`${data.date}T12:00:00`);
  const row = (each: Row) => ({
    row: each,
    shortcut: keyOf(each),
    isBusy: start.isPending,
    onBegin: () => begin(each),
  });
  return (
    <div className={`${screen.screen} ${css.page}`}>
      <KeysHere />
      <section className={`${screen.left} ${css.left}`} aria-label="The day">
        <h1>
          {date.toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })}
        </h1>
        <Scroll className={css.day}>
          {today.length === 0 ? (
            <Empty isEmpty={isEmpty} />
          ) : (
            <ol aria-label="Lessons today">
              {today.map((each) => (
                <DayRow key={each.player.id} {...row(each)} isNext={each === next} />
              ))}
            </ol>
          )}
        </Scroll>
      </section>
      <section className={`${screen.right} ${css.right}`} aria-label="Everybody else">
        <Scroll className={css.else}>
          {urgent.length > 0 && (
            <>
              <h2>Stopped or in pain</h2>
              <ul aria-label="Stopped or in pain">
                {urgent.map((each) => (
                  <PlayerRow key={each.player.id} {...row(each)} />
                ))}
              </ul>
            </>
          )}
          <Thoughts lines={data.lines} />
          <div className={css.othersHead}>
            <h2>{isEmpty ? 'Players' : 'Others'}</h2>
            <BringIn />
            <button type="button" className={touch.word} onClick={() => setAdding(true)}>
              New player
            </button>
          </div>
          <ul>
            {others.map((each) => (
              <PlayerRow key={each.player.id} {...row(each)} />
            ))}
          </ul>
        </Scroll>
      </section>
      <div className={screen.foot}>
        <div className={css.next}>
          <p>{next ? `Next, ${next.time ?? ''}` : 'Nobody is next'}</p>
          <strong>{next?.player.name ?? (isEmpty ? 'Your first player' : 'Pick a player')}</strong>
          <p>{next?.flag ? 'ask first, no exercises' : next?.focus.join(', ')}</p>
        </div>
        <NextAction isNext={goOn !== undefined} disabled={!goOn} onClick={() => goOn?.()}>
          {isEmpty ? 'Add' : next?.lesson_today ? 'Go on' : 'Begin'}
        </NextAction>
      </div>
      {adding && <PlayerDialog opened onClose={() => setAdding(false)} player={null} />}
    </div>
  );
}

function clock(): string {
  return new Date().toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}

function Empty({ isEmpty }: { isEmpty: boolean }) {
  if (!isEmpty) return <p>No lessons on this weekday. Pick a player to begin one.</p>;
  return (
    <>
      <p>Nobody is here yet. Add your first player; a name and an instrument are enough.</p>
      <ol className={css.first}>
        <li>Add a player, or bring in a whole class from a list.</li>
        <li>Begin a lesson: ask, look, decide, give.</li>
        <li>Give the week on paper and on the phone.</li>
      </ol>
    </>
  );
}

function Thoughts({ lines }: { lines: Schemas['DayOut']['lines'] }) {
  if (lines.length === 0) return null;
  return (
    <section aria-label="Worth a thought" className={css.thoughts}>
      <h2>Worth a thought</h2>
      <ul>
        {lines.map((line) => (
          <li key={line.player}>
            <Link href={`/players/${line.player}`}>{line.name}</Link> {line.words}
          </li>
        ))}
      </ul>
    </section>
  );
}
