import type { Lesson, Schemas } from '../api/client';
import { painSaid, shortDate } from '../words/words';
import css from './HomeReport.module.css';
import * as say from '../messages/compiled/lesson';
import { Rich } from '../messages/Rich';
import { beside, listed } from '../words/lists';

const DONE_WORDS: Record<string, string> = { done: 'all', partly: 'some', not: 'no' };

/** The week that ends with this lesson: its one thing, and what came home, before anybody asks. */
export function LastWeek({ lesson }: { lesson: Pick<Lesson, 'home' | 'one_thing_before'> }) {
  return (
    <>
      {lesson.one_thing_before && (
        <p className={css.one}>
          <span className="quiet">{say.lastWeeksOneThing()}</span>
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
      <h2>{say.atHomeAlone()}</h2>
      {home.days.length > 0 && (
        <p>
          {practisedWords(done.length, home.planned.length, tight)}{' '}
          {hurt.length + nothing.length === 0 && say.nothingHurt()}
          {hurt.length > 0 && (
            <strong>
              {say.itHurtOfHurt({
                hurt: hurt
                  .map((day) => `${shortDate(day.date)} (${painSaid(day.pain)})`)
                  .join(', '),
              })}
            </strong>
          )}
        </p>
      )}
      {nothing.length > 0 && (
        <p>
          <Rich
            says={say.itHurtsWasTouchedOn({
              nothing: listed(nothing.map((day) => shortDate(day.date))),
            })}
          />
        </p>
      )}
      <OneThing days={home.days} />
      <Worked home={home} />
      {home.takes.map((take, n) => (
        <p key={n}>
          {say.recordedOnFor({ date: shortDate(take.date), label: take.label, words: take.words })}
        </p>
      ))}
      {home.days.length > 0 && (
        <ol className={css.days} aria-label={say.daysAtHome()}>
          {dates.map((date) => {
            const log = home.days.find((day) => day.date === date);
            return (
              <li key={date}>
                <span>{shortDate(date)}</span>
                <i data-done={log?.done} aria-hidden="true" />
                <small>{log ? beside([doneWords(log, home), log.felt]) : '–'}</small>
              </li>
            );
          })}
        </ol>
      )}
    </section>
  );
}

const KEPT: [string, string][] = [
  ['mostly', say.mostlyThere()],
  ['partly', say.nowAndThen()],
  ['not', say.notYetInside()],
];

/** What the player said of the week's one thing, day by day. */
function practisedWords(done: number, planned: number, tight: number): string {
  return tight > 0
    ? say.practisedTightOn({ done, planned, tight })
    : say.practisedOnOfPlannedDays({ done, planned });
}

function OneThing({ days }: { days: Schemas['HomeDayOut'][] }) {
  const told = KEPT.flatMap(([id, words]) => {
    const count = days.filter((day) => day.one_thing === id).length;
    return count > 0 ? say.onOneDay({ count, words }) : [];
  });
  return told.length > 0 ? <p>{say.theOneThing({ told: beside(told) })}</p> : null;
}

function doneWords(log: Schemas['HomeDayOut'], home: Schemas['HomeReportOut']): string {
  const parts = (log.parts ?? []).map((id) => home.exercises[id] ?? '').filter(Boolean);
  return parts.length > 0 ? beside(parts) : (DONE_WORDS[log.done] ?? '');
}

/** The highest loose beat of tempo work, and what the player found on the own hand. */
function Worked({ home }: { home: Schemas['HomeReportOut'] }) {
  const tempos = Object.entries(home.exercises).flatMap(([id, name]) => {
    const days = home.days.flatMap((day) => day.tempos[id] ?? []);
    const best = Math.max(0, ...days.map((day) => day.highest ?? 0));
    const plays = days.reduce((sum, day) => sum + day.plays, 0);
    const slow = days.reduce((sum, day) => sum + day.slow, 0);
    const loose = best > 0 ? say.looseUpTo({ best }) : say.notYetCleanThreeTimes();
    return say.ofPlaysBelowTheGoal({ name, loose, slow, plays });
  });
  const checked = home.days.filter((day) => day.checks['after'] !== undefined);
  const found = home.self_check.flatMap((check) => {
    const wrong = checked.filter((day) => !day.checks['after']?.includes(check.id)).length;
    return wrong > 0 ? say.after({ ask: check.ask, answer: check.wrong, times: wrong }) : [];
  });
  return (
    <>
      {tempos.map((line) => (
        <p key={line}>{line}</p>
      ))}
      {checked.length > 0 && (
        <p>
          {found.length === 0
            ? say.thePlayersOwnLookAfter({ count: checked.length })
            : say.thePlayersOwnLookAfterPractice({
                count: checked.length,
                found: found.join('; '),
              })}
        </p>
      )}
    </>
  );
}
