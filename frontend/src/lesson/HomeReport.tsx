import type { Schemas } from '../api/client';
import { shortDate } from '../words/words';
import css from './HomeReport.module.css';

const DONE_WORDS: Record<string, string> = { done: 'all', partly: 'some', not: 'no' };

/** What was practised at home since the last lesson, before anybody asks. */
export function HomeReport({ home }: { home: Schemas['HomeReportOut'] }) {
  const done = home.days.filter((day) => day.done !== 'not');
  const hurt = home.days.filter((day) => day.pain > 0 || day.signs.length > 0);
  const tight = done.filter((day) => day.felt === 'tight').length;
  const dates = [...new Set([...home.planned, ...home.days.map((day) => day.date)])].sort();
  return (
    <section>
      <h2>At home</h2>
      <p>
        Practised on {done.length} of {home.planned.length} planned days
        {tight > 0 && `, tight on ${tight}`}
        {hurt.length === 0 ? ', nothing hurt.' : '.'}{' '}
        {hurt.length > 0 && (
          <strong>
            It hurt: {hurt.map((day) => `${shortDate(day.date)} (${day.pain} of 10)`).join(', ')}.
          </strong>
        )}
      </p>
      <ol className={css.days} aria-label="Days at home">
        {dates.map((date) => {
          const log = home.days.find((day) => day.date === date);
          return (
            <li key={date}>
              <span>{shortDate(date)}</span>
              <i data-done={log?.done} aria-hidden="true" />
              <small>
                {log ? [DONE_WORDS[log.done], log.felt].filter(Boolean).join(', ') : '–'}
              </small>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
