import { useQuery } from '@tanstack/react-query';
import { type CSSProperties, useState } from 'react';

import type { Schemas } from '../api/client';
import { todayQuery } from '../api/queries';
import { useStartLesson } from '../api/useStartLesson';
import { late } from '../components/late';
import { NextAction } from '../components/NextAction';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import screen from '../components/screen.module.css';
import { Scroll } from '../components/Scroll';
import { useKeys } from '../components/useKeys';
import { usePointerLeavesNoFocus } from '../components/usePointerLeavesNoFocus';
import { dayOf, type Row } from './day';
import { DayPanel } from './DayPanel';
import { DayRow } from './DayRow';
import { Everybody } from './Everybody';
import { firstLine } from './rowWords';
import { shortDate } from '../words/words';
import css from './TodayPage.module.css';
import { useAway } from './useAway';
import { useClock } from './useClock';
import * as say from '../messages/compiled/today';
import { LOCALE } from '../words/lists';

const PlayerDialog = late(async () => (await import('../components/PlayerDialog')).PlayerDialog);

const MOST_KEYS = 9;

/** The day in order of time on the left, one player or everybody else on the right. */
export function TodayPage() {
  const day = useQuery(todayQuery);
  if (day.error && !day.data)
    return <Problem error={day.error} onRetry={() => void day.refetch()} />;
  const date = new Date(`${day.data?.date ?? new Date().toISOString().slice(0, 10)}T12:00:00`);
  const words = { weekday: 'long', day: 'numeric', month: 'long' } as const;
  return (
    <>
      <PageHead
        title={date.toLocaleDateString(LOCALE, words)}
        tab={say.today()}
        isOld={day.isError}
      />
      {day.data && <Day data={day.data} />}
    </>
  );
}

function Day({ data }: { data: Schemas['DayOut'] }) {
  usePointerLeavesNoFocus();
  const start = useStartLesson();
  const clock = useClock();
  const [opened, setOpened] = useState<number | null>(null);
  const away = useAway(() => setOpened(null));
  const [adding, setAdding] = useState(false);
  const { today, urgent, others, next, passed } = dayOf(data.rows, clock);
  const begin = (row: Row) => start.mutate(row.player.id);
  const open = data.rows.find((row) => row.player.id === opened);
  const isEmpty = data.rows.length === 0;
  const whom = open && open.away === null ? open : next;
  const goOn = isEmpty ? () => setAdding(true) : whom ? () => begin(whom) : undefined;
  const step = (by: number) => {
    const at = today.findIndex((row) => row === (open ?? next));
    const row = today[Math.max(0, Math.min(today.length - 1, open ? at + by : at))];
    if (row) setOpened(row.player.id);
  };
  const changeAway = (row: Row, to: string | null, at: string | null) =>
    away.change.mutate({ player: row.player.id, to, at });
  // What went wrong is said beside the one it is about.
  const takeBack = ({ player }: Row) =>
    away.back.mutate(player.id, { onError: () => setOpened(player.id) });
  const toggleAway = (row: Row) => (row.away ? takeBack(row) : changeAway(row, null, null));
  useKeys({
    ...Object.fromEntries(
      today
        .slice(0, MOST_KEYS)
        .map((row, i) => [String(i + 1), row.away ? undefined : () => begin(row)]),
    ),
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    Escape: open ? () => setOpened(null) : undefined,
    a: open?.is_today && open.lesson_today === null ? () => toggleAway(open) : undefined,
    Enter: goOn,
  });
  return (
    <div
      className={`${screen.screen} ${screen.filled} ${screen.listFirst} ${css.page}`}
      data-open={open !== undefined || undefined}
    >
      <section className={`${screen.left} ${css.left}`} aria-label={say.theDay()}>
        <Scroll className={css.day}>
          {today.length === 0 ? (
            <Empty isEmpty={isEmpty} holidayUntil={data.holiday_until} />
          ) : (
            <ol
              aria-label={say.lessonsToday()}
              style={{ '--lessons': today.length } as CSSProperties}
            >
              {today.map((row, i) => (
                <DayRow
                  key={row.player.id}
                  row={row}
                  isNext={row === next}
                  isOpen={row === open}
                  isBusy={start.isPending || away.change.isPending || away.back.isPending}
                  shortcut={i < MOST_KEYS ? String(i + 1) : undefined}
                  string={i < passed - 1 ? 'played' : i === passed - 1 ? 'playing' : 'ahead'}
                  clock={i === passed - 1 ? clock : undefined}
                  onOpen={() => setOpened(row === open ? null : row.player.id)}
                  onBegin={() => begin(row)}
                  onTakeBack={() => takeBack(row)}
                />
              ))}
            </ol>
          )}
        </Scroll>
      </section>
      <section className={`${screen.right} ${css.right}`} aria-label={say.besideTheDay()}>
        {open ? (
          <DayPanel
            key={open.player.id}
            row={open}
            date={data.date}
            free={data.free}
            problem={away.problem}
            onAway={(to, at) => changeAway(open, to, at)}
            onTakeBack={() => takeBack(open)}
            onClose={() => setOpened(null)}
          />
        ) : (
          <Everybody
            rows={data.rows}
            urgent={urgent}
            others={others}
            lines={data.lines}
            onOpen={(row) => setOpened(row.player.id)}
          />
        )}
      </section>
      <DayFoot {...{ whom, next, clock, isEmpty, goOn }} />
      {adding && <PlayerDialog opened onClose={() => setAdding(false)} player={null} />}
    </div>
  );
}

interface DayFootProps {
  whom: Row | undefined;
  next: Row | undefined;
  clock: string;
  /** There is no player yet. */
  isEmpty: boolean;
  goOn: (() => void) | undefined;
}

/** Whose lesson is next, or that of the row that is open. */
function DayFoot({ whom, next, clock, isEmpty, goOn }: DayFootProps) {
  return (
    <div className={screen.foot}>
      <div className={css.next}>
        <p>{whom ? whenOf(whom, whom === next, clock) : say.nobodyIsNext()}</p>
        <strong>
          {whom?.player.name ?? (isEmpty ? say.yourFirstPlayer() : say.pickAPlayer())}
        </strong>
        <p>{whom && (whom.flag ? say.askFirstNoExercises() : firstLine(whom).words)}</p>
      </div>
      <NextAction isNext={goOn !== undefined} disabled={!goOn} onClick={() => goOn?.()}>
        {isEmpty ? say.add() : whom?.lesson_today ? say.goOn() : say.begin()}
      </NextAction>
    </div>
  );
}

function whenOf(row: Row, isNext: boolean, clock: string): string {
  if (!row.is_today) return say.notOnTodaysList();
  const time = row.time ?? '';
  if (row.lesson_today) return say.begun({ time });
  if (!isNext) return time;
  return time !== '' && time <= clock ? say.nowSince({ time }) : say.next({ time });
}

function Empty({ isEmpty, holidayUntil }: { isEmpty: boolean; holidayUntil: string | null }) {
  if (!isEmpty && holidayUntil) {
    return <p>{say.holidaysUntilPickAPlayer({ holidayUntil: shortDate(holidayUntil) })}</p>;
  }
  if (!isEmpty) return <p>{say.noLessonsOnThisWeekday()}</p>;
  return (
    <>
      <p>{say.nobodyIsHereYetAdd()}</p>
      <ol className={css.first}>
        <li>{say.addAPlayerOrBring()}</li>
        <li>{say.beginALessonAskLook()}</li>
        <li>{say.giveTheWeekOnPaper()}</li>
      </ol>
    </>
  );
}
