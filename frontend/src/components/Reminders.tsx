import type { Schemas } from '../api/client';
import { shortDate } from '../words/words';
import css from './Reminders.module.css';
import * as say from '../messages/compiled/components';
import { Rich } from '../messages/Rich';
import { listed } from '../words/lists';

/** What was gone and is due for another look, and what has come back. */
export function Reminders({ reminders }: { reminders: Schemas['ReminderOut'][] }) {
  if (reminders.length === 0) return null;
  return (
    <section>
      <h2>{say.keptInView()}</h2>
      <ul className={css.list}>
        {reminders.map((each) => (
          <li key={each.cause}>
            <Rich
              says={
                each.returned === null
                  ? say.goneSinceDueForAnother({ name: each.name, since: shortDate(each.since) })
                  : say.wasGoneOnBackSince({
                      name: each.name,
                      since: shortDate(each.since),
                      returned: shortDate(each.returned),
                    })
              }
            />
            {each.helped.length > 0 && ` ${say.whatHelpedThen({ helped: listed(each.helped) })}`}
          </li>
        ))}
      </ul>
    </section>
  );
}
