import { useState } from 'react';

import { savedWords } from '../api/entryQueue';
import { StringsRule } from '../components/StringsRule';
import { Exercise } from './Exercise';
import css from './HomePage.module.css';
import { LogDay } from './LogDay';
import { useHome, type Week } from './useHome';
import { WeekDays } from './WeekDays';

/** A week at home: what is for today, its music and tools, and how it went. */
export function HomePage({ token }: { token: string }) {
  const handle = useHome(token);
  if (handle === null) return <main className={css.page} aria-busy="true" />;
  if ('error' in handle) {
    return (
      <main className={css.page}>
        <h1>Practice week</h1>
        <p>{handle.error}</p>
      </main>
    );
  }
  const { week, stopped } = handle;
  return (
    <main className={css.page}>
      <header>
        <h1>{week.first_name}&rsquo;s week</h1>
        <p className="quiet">
          {week.instrument}{' '}
          <span role="status" className={css.saved}>
            {savedWords(handle.queue)}
          </span>
        </p>
      </header>
      <StringsRule />
      {stopped ? <Stop /> : <Today week={week} token={token} log={handle.log} />}
    </main>
  );
}

/** Today, or the next day on which something is planned when today is free and not logged. */
function firstShown(week: Week): string {
  const planned = week.items.flatMap((item) => item.days).sort();
  const isUsed = planned.includes(week.today) || week.days.some((day) => day.date === week.today);
  return isUsed ? week.today : (planned.find((day) => day > week.today) ?? week.today);
}

function Stop() {
  return (
    <section className={css.stop} role="alert">
      <h2>Please stop for now</h2>
      <p>Put the instrument down. Do not practise these exercises until your teacher says so.</p>
      <p>
        Please see a doctor or a physiotherapist about it, and tell your teacher. Your teacher finds
        a note of it, too.
      </p>
    </section>
  );
}

function Today({
  week,
  token,
  log,
}: {
  week: Week;
  token: string;
  log: Parameters<typeof LogDay>[0]['onLog'];
}) {
  const [shown, setShown] = useState(() => firstShown(week));
  const items = week.items.filter((item) => item.days.includes(shown));
  const isToday = shown === week.today;
  return (
    <>
      <WeekDays week={week} shown={shown} onShow={setShown} />
      {week.teacher_line && <p className={css.line}>{week.teacher_line}</p>}
      {items.length === 0 ? (
        <p className={css.free}>
          {isToday ? 'Nothing to practise today. Play what you like.' : 'Nothing on this day.'}
        </p>
      ) : (
        <p className={css.minutes}>
          {items.length === 1 ? 'One exercise' : `${items.length} exercises`}, about{' '}
          {items.reduce((sum, item) => sum + item.minutes, 0)} minutes
        </p>
      )}
      {items.map((item) => (
        <Exercise key={item.exercise} item={item} openStrings={week.open_strings} />
      ))}
      {shown <= week.today && shown > week.given_on && (
        <LogDay
          key={shown}
          date={shown}
          isToday={isToday}
          before={week.days.find((day) => day.date === shown) ?? null}
          onLog={log}
        />
      )}
      <p className={css.foot}>
        Soft and short is better than long and tight. If anything hurts, tingles or goes numb: stop
        and tell your teacher.{' '}
        <a href={`/api/home/${token}/practice.ics`}>Put the week into a calendar</a>
      </p>
    </>
  );
}
