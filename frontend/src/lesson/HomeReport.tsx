import type { Lesson, Schemas } from '../api/client';
import { painSaid, shortDate } from '../words/words';
import css from './HomeReport.module.css';

const DONE_WORDS: Record<string, string> = { done: 'all', partly: 'some', not: 'no' };

/** The week that ends with this lesson: its one thing, and what came home, before anybody asks. */
export function LastWeek({ lesson }: { lesson: Pick<Lesson, 'home' | 'one_thing_before'> }) {
  return (
    <>
      {lesson.one_thing_before && (
        <p className={css.one}>
          <span className="quiet">Last week&rsquo;s one thing</span>
          {lesson.one_thing_before}
        </p>
      )}
      {lesson.home && <HomeReport home={lesson.home} />}
    </>
  );
}

function HomeReport({ home }: { home: Schemas['HomeReportOut'] }) {
  const done = home.days.filter((day) => day.done !== 'not');
  const hurt = home.days.filter(
    (day) => day.pain > 0 || day.signs.length > 0 || day.hurt === 'open',
  );
  const nothing = home.days.filter((day) => day.hurt === 'nothing');
  const tight = done.filter((day) => day.felt === 'tight').length;
  const dates = [...new Set([...home.planned, ...home.days.map((day) => day.date)])].sort();
  return (
    <section>
      <h2>At home</h2>
      {home.days.length > 0 && (
        <p>
          Practised on {done.length} of {home.planned.length} planned days
          {tight > 0 && `, tight on ${tight}`}
          {hurt.length + nothing.length === 0 ? ', nothing hurt.' : '.'}{' '}
          {hurt.length > 0 && (
            <strong>
              It hurt:{' '}
              {hurt.map((day) => `${shortDate(day.date)} (${painSaid(day.pain)})`).join(', ')}.
            </strong>
          )}
        </p>
      )}
      {nothing.length > 0 && (
        <p>
          <strong>“It hurts” was touched</strong> on{' '}
          {nothing.map((day) => shortDate(day.date)).join(', ')}, then it was said to be nothing.
        </p>
      )}
      <OneThing days={home.days} />
      <Worked home={home} />
      {home.takes.map((take, n) => (
        <p key={n}>
          Recorded on {shortDate(take.date)}, for “{take.label}”: {take.words}
        </p>
      ))}
      {home.days.length > 0 && (
        <ol className={css.days} aria-label="Days at home">
          {dates.map((date) => {
            const log = home.days.find((day) => day.date === date);
            return (
              <li key={date}>
                <span>{shortDate(date)}</span>
                <i data-done={log?.done} aria-hidden="true" />
                <small>
                  {log ? [doneWords(log, home), log.felt].filter(Boolean).join(', ') : '–'}
                </small>
              </li>
            );
          })}
        </ol>
      )}
    </section>
  );
}

const KEPT: [string, string][] = [
  ['mostly', 'mostly there'],
  ['partly', 'now and then'],
  ['not', 'not yet'],
];

/** What the player said of the week's one thing, day by day. */
function OneThing({ days }: { days: Schemas['HomeDayOut'][] }) {
  const told = KEPT.flatMap(([id, words]) => {
    const count = days.filter((day) => day.one_thing === id).length;
    return count > 0 ? `${words} on ${count === 1 ? 'one day' : `${count} days`}` : [];
  });
  return told.length > 0 ? <p>The one thing: {told.join(', ')}.</p> : null;
}

function doneWords(log: Schemas['HomeDayOut'], home: Schemas['HomeReportOut']): string {
  const parts = (log.parts ?? []).map((id) => home.exercises[id] ?? '').filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : (DONE_WORDS[log.done] ?? '');
}

/** The highest loose beat of tempo work, and what the player found on the own hand. */
function Worked({ home }: { home: Schemas['HomeReportOut'] }) {
  const tempos = Object.entries(home.exercises).flatMap(([id, name]) => {
    const days = home.days.flatMap((day) => day.tempos[id] ?? []);
    const best = Math.max(0, ...days.map((day) => day.highest ?? 0));
    const plays = days.reduce((sum, day) => sum + day.plays, 0);
    const slow = days.reduce((sum, day) => sum + day.slow, 0);
    const loose = best > 0 ? `loose up to ♩ = ${best}` : 'not yet clean three times running';
    return `${name}: ${loose}, ${slow} of ${plays} plays below the goal.`;
  });
  const checked = home.days.filter((day) => day.checks['after'] !== undefined);
  const found = home.self_check.flatMap((check) => {
    const wrong = checked.filter((day) => !day.checks['after']?.includes(check.id)).length;
    return wrong > 0 ? `${check.ask.toLowerCase()}: ${check.wrong} after ${wrong}` : [];
  });
  return (
    <>
      {tempos.map((line) => (
        <p key={line}>{line}</p>
      ))}
      {checked.length > 0 && (
        <p>
          The player&rsquo;s own look, after practice on {checked.length}{' '}
          {checked.length === 1 ? 'day' : 'days'}:{' '}
          {found.length === 0 ? 'all as it should be.' : `${found.join('; ')}.`}
        </p>
      )}
    </>
  );
}
