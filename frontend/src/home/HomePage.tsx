import { useState } from 'react';

import { late } from '../components/late';
import { StringsRule } from '../components/StringsRule';
import { savedWords } from '../outbox/outbox';
import { AskLater } from './AskLater';
import { Exercise } from './Exercise';
import css from './HomePage.module.css';
import { HowFar } from './HowFar';
import { LogDay } from './LogDay';
import { Practice } from './Practice';
import { type HomeHandle, useHome } from './useHome';
import { WeekDays } from './WeekDays';
import { dayNumber, type WeekNow } from './weekNow';

const DAYS_OF_A_WEEK = 7;
// The week is there without them.
const Nothing = () => null;
const SendTakes = late(() =>
  import('./SendTakes').then(
    (its) => its.SendTakes,
    () => Nothing,
  ),
);
const RecordTake = late(() =>
  import('./RecordTake').then(
    (its) => its.RecordTake,
    () => Nothing,
  ),
);

/** A week at home: what is for today, its music and tools, and how it went. */
export function HomePage({ token }: { token: string }) {
  const handle = useHome(token);
  if (handle === null) return <main className={css.page} aria-busy="true" />;
  if ('error' in handle) {
    return (
      <main className={css.page}>
        <h1>Practice week</h1>
        <p>{handle.error}</p>
        {handle.kept > 0 && (
          <p>
            What was logged here and not sent yet is kept on this phone: {handle.kept}{' '}
            {handle.kept === 1 ? 'entry' : 'entries'}.
          </p>
        )}
        <Waiting token={token} />
      </main>
    );
  }
  const { week } = handle;
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
      {week.stopped ? (
        <Stop week={week} takeBack={handle.takeBack} />
      ) : (
        <Today token={token} handle={handle} />
      )}
      <NotTaken handle={handle} />
      {(week.stopped || week.take === null) && <Waiting token={token} />}
    </main>
  );
}

/** Takes of this phone that are still on their way, though this week may ask for none. */
function Waiting({ token }: { token: string }) {
  return <SendTakes token={token} />;
}

/** Logs that the server could not take, kept here until somebody decides. */
function NotTaken({ handle }: { handle: HomeHandle }) {
  const { aside } = handle.queue;
  if (aside.length === 0) return null;
  return (
    <section className={css.ask} aria-label="Not taken">
      <h2>Could not be sent</h2>
      {aside.map((entry) => (
        <div key={entry.clientKey}>
          <p>
            {entry.kind === 'day' ? `The log of ${entry.key}` : 'An answer'}: {entry.aside}
          </p>
          <div className={css.choice}>
            <button type="button" onClick={() => handle.tryAgain(entry)}>
              Try again
            </button>
            <button type="button" onClick={() => handle.throwAway(entry)}>
              Throw away
            </button>
          </div>
        </div>
      ))}
    </section>
  );
}

/** Today, or the next day on which something is planned when today is free and not logged. */
function firstShown(week: WeekNow): string {
  const planned = week.items.flatMap((item) => item.days).sort();
  const isUsed = planned.includes(week.today) || week.days.some((day) => day.date === week.today);
  return isUsed ? week.today : (planned.find((day) => day > week.today) ?? week.today);
}

function Stop({ week, takeBack }: { week: WeekNow; takeBack: HomeHandle['takeBack'] }) {
  return (
    <section className={css.stop} role="alert">
      <h2>Please stop for now</h2>
      <p>Put the instrument down. Do not practise these exercises until your teacher says so.</p>
      <p>
        Please see a doctor or a physiotherapist about it, and tell your teacher.{' '}
        {week.unheard
          ? 'Your teacher has not heard of it yet: it is sent when there is a network.'
          : 'Your teacher finds a note of it, too.'}
      </p>
      {takeBack !== null && (
        <button type="button" className={css.plain} onClick={takeBack}>
          That was tapped by mistake
        </button>
      )}
    </section>
  );
}

function Today({ token, handle }: { token: string; handle: HomeHandle }) {
  const { week, log, answerLater } = handle;
  const [shown, setShown] = useState(() => firstShown(week));
  const [practising, setPractising] = useState(false);
  const items = week.items.filter((item) => item.days.includes(shown));
  const isToday = shown === week.today;
  const mayLog = shown <= week.today && shown > week.given_on;
  const logged = week.days.some((day) => day.date === shown);
  if (practising && items.length > 0) {
    return (
      <Practice
        week={week}
        items={items}
        date={shown}
        onLog={mayLog ? log : null}
        onEnd={() => setPractising(false)}
      />
    );
  }
  return (
    <>
      {week.asksAbout !== null && (
        <AskLater key={week.asksAbout} date={week.asksAbout} onAnswer={answerLater} />
      )}
      <WeekDays week={week} shown={shown} onShow={setShown} />
      {(week.eased || week.given_eased) && (
        <p className={css.eased} role="status">
          <strong>Easing off.</strong> Half as much of it, soft and short, until your next lesson.
          Leave out whatever hurts.
          {week.resting.length > 0 && ` Left out for now: ${week.resting.join(', ')}.`}
        </p>
      )}
      {!week.eased && week.sore.includes('skin') && (
        <p className={css.eased} role="status">
          <strong>A little shorter</strong> while the skin of the fingertips is sore.
        </p>
      )}
      {week.teacher_line && <p className={css.line}>{week.teacher_line}</p>}
      {items.length === 0 ? (
        <p className={css.free}>{freeWords(week, shown)}</p>
      ) : (
        <p className={css.minutes}>
          {items.length === 1 ? 'One exercise' : `${items.length} exercises`}, about{' '}
          {minutesSaid(items.reduce((sum, item) => sum + item.minutes, 0))}
        </p>
      )}
      {items.length > 0 && !logged && (
        <button type="button" className={css.main} onClick={() => setPractising(true)}>
          Begin
        </button>
      )}
      {mayLog && (
        <LogDay
          key={shown}
          date={shown}
          isToday={isToday}
          items={items}
          before={week.days.find((day) => day.date === shown) ?? null}
          onLog={log}
        />
      )}
      {items.map((item) => (
        <Exercise key={item.exercise} item={item} openStrings={week.open_strings} />
      ))}
      {week.take && <RecordTake token={token} take={week.take} today={week.today} />}
      <HowFar climbed={week.climbed} better={week.better} />
      <p className={css.foot}>
        Soft and short is better than long and tight. If anything hurts, tingles or goes numb: stop
        and tell your teacher.{' '}
        <a href={`/api/home/${token}/practice.ics`}>Put the week into a calendar</a>
      </p>
    </>
  );
}

function minutesSaid(minutes: number): string {
  if (minutes < 0.75) return 'half a minute';
  const told = Math.round(2 * minutes) / 2;
  return told === 1 ? 'one minute' : `${told} minutes`;
}

function freeWords(week: WeekNow, shown: string): string {
  if (week.eased && week.items.length === 0) {
    return 'Rest the hand from the exercises until your next lesson.';
  }
  if (dayNumber(week.given_on, shown) % DAYS_OF_A_WEEK === 0) {
    return 'The day of the lesson is free of these: a rested hand shows best what it can.';
  }
  return shown === week.today
    ? 'Nothing to practise today. Play what you like.'
    : 'Nothing on this day.';
}
