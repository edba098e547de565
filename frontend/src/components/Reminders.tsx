import type { Schemas } from '../api/client';
import { shortDate } from '../words/words';
import css from './Reminders.module.css';

/** What was gone and is due for another look, and what has come back. */
export function Reminders({ reminders }: { reminders: Schemas['ReminderOut'][] }) {
  if (reminders.length === 0) return null;
  return (
    <section>
      <h2>Kept in view</h2>
      <ul className={css.list}>
        {reminders.map((each) => (
          <li key={each.cause}>
            <strong>{each.name}</strong>
            {each.returned === null
              ? `: gone since ${shortDate(each.since)}; due for another look.`
              : `: was gone on ${shortDate(each.since)}, back since ${shortDate(each.returned)}.`}
            {each.helped.length > 0 && ` What helped then: ${each.helped.join(', ')}.`}
          </li>
        ))}
      </ul>
    </section>
  );
}
