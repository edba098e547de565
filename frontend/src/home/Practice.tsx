import { useState } from 'react';

import { PractisedExercise } from './Exercise';
import css from './HomePage.module.css';
import { LogDay } from './LogDay';
import { SelfCheck } from './SelfCheck';
import { tempoAfter } from '../exercise/tempoWork';
import type { DayLog, HomeItem, WeekNow } from './weekNow';

interface Props {
  week: WeekNow;
  items: HomeItem[];
  date: string;
  /** Nothing on a day that is still to come: it is tried through and not logged. */
  onLog: ((log: DayLog) => void) | null;
  onEnd: () => void;
}

type Found = Record<string, boolean>;

/** The day's practice, one thing on the screen at a time; how it went is logged at the end. */
export function Practice({ week, items, date, onLog, onEnd }: Props) {
  const [at, setAt] = useState(0);
  const [plays, setPlays] = useState<Record<string, boolean[]>>({});
  const [before, setBefore] = useState<Found>({});
  const [after, setAfter] = useState<Found>({});
  const checks = onLog === null ? [] : week.self_check;
  const pages = [
    ...(checks.length > 0 ? ['before' as const] : []),
    ...items,
    ...(checks.length > 0 ? ['after' as const] : []),
    'log' as const,
  ];
  const page = pages[at];
  const number = typeof page === 'object' ? items.indexOf(page) + 1 : null;
  const go = (to: number) => {
    setAt(to);
    globalThis.scrollTo(0, 0);
  };
  return (
    <>
      <p className="quiet" role="status">
        {number === null ? 'Practice' : `Exercise ${number} of ${items.length}`}
      </p>
      {page === 'before' && (
        <SelfCheck
          when="before"
          checks={checks}
          found={before}
          onFound={(id, right) => setBefore({ ...before, [id]: right })}
        />
      )}
      {typeof page === 'object' && (
        <PractisedExercise
          key={page.exercise}
          item={page}
          openStrings={week.open_strings}
          plays={plays[page.exercise] ?? []}
          onPlay={(clean) =>
            setPlays({ ...plays, [page.exercise]: [...(plays[page.exercise] ?? []), clean] })
          }
        />
      )}
      {page === 'after' && (
        <SelfCheck
          when="after"
          checks={checks}
          found={after}
          onFound={(id, right) => setAfter({ ...after, [id]: right })}
        />
      )}
      {page === 'log' && onLog === null && (
        <p className={css.free}>That is all of it. You log a day here once it has come.</p>
      )}
      {page === 'log' && onLog !== null && (
        <LogDay
          date={date}
          isToday={date === week.today}
          items={items}
          before={null}
          more={{ tempos: temposOf(items, plays), checks: checksOf({ before, after }) }}
          onLog={(log) => {
            onLog(log);
            onEnd();
          }}
        />
      )}
      <div className={css.onward}>
        <button
          type="button"
          className={css.plain}
          onClick={() => (at === 0 ? onEnd() : go(at - 1))}
        >
          {at === 0 ? 'Overview' : 'Back'}
        </button>
        {page === 'log' && onLog === null && (
          <button type="button" className={css.main} onClick={onEnd}>
            Overview
          </button>
        )}
        {page !== 'log' && (
          <button type="button" className={css.main} onClick={() => go(at + 1)}>
            Next
          </button>
        )}
      </div>
    </>
  );
}

function temposOf(items: HomeItem[], plays: Record<string, boolean[]>): DayLog['tempos'] {
  const worked = items.flatMap((item) => {
    const mine = plays[item.exercise] ?? [];
    if (mine.length === 0) return [];
    const { highest, slow } = tempoAfter(item.tempo_steps, mine);
    return [[item.exercise, { highest, plays: mine.length, slow }] as const];
  });
  return Object.fromEntries(worked);
}

/** What was as it should be; a time at which nothing was touched is left out. */
function checksOf(found: Record<string, Found>): DayLog['checks'] {
  const touched = Object.entries(found).filter(([, each]) => Object.keys(each).length > 0);
  return Object.fromEntries(
    touched.map(([when, each]) => [when, Object.keys(each).filter((id) => each[id])]),
  );
}
