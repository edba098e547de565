import type { Schemas } from '../api/client';
import css from './SheetPage.module.css';

/** What stands on the sheet, for whoever listens to the screen or copies a sentence. */
export function SheetInWords({ sheet }: { sheet: Schemas['SheetOut'] }) {
  return (
    <details className={css.words}>
      <summary>The sheet in words</summary>
      {sheet.paused ? (
        <p>
          Please rest this hand. No exercises until your teacher says so. Please see a doctor or a
          physiotherapist about: {sheet.reasons.join('; ')}.
        </p>
      ) : (
        <>
          <p>
            <strong>{sheet.one_thing}</strong> {sheet.why}
          </p>
          {sheet.eased && (
            <p>Easing off this week: half of it, soft and short. Leave out whatever hurts.</p>
          )}
          <p>
            {sheet.minutes_a_day} minutes a day, on{' '}
            {sheet.days
              .filter((day) => day.exercises.length > 0)
              .map((day) => day.weekday)
              .join(', ')}
            .
          </p>
          <ol>
            {sheet.items.map((item) => (
              <li key={item.exercise}>
                <strong>
                  {item.name}, {item.dose}.
                </strong>{' '}
                {item.steps.join(' ')} Feels like {item.feel}. Stop when {item.stop}.
              </li>
            ))}
          </ol>
          {sheet.teacher_line && <p>“{sheet.teacher_line}”</p>}
        </>
      )}
    </details>
  );
}
