import type { Schemas } from '../api/client';
import css from './SheetPage.module.css';
import * as say from '../messages/compiled/sheet';
import { Rich } from '../messages/Rich';

/** What stands on the sheet, for whoever listens to the screen or copies a sentence. */
export function SheetInWords({ sheet }: { sheet: Schemas['SheetOut'] }) {
  return (
    <details className={css.words}>
      <summary>{say.theSheetInWords()}</summary>
      {sheet.paused ? (
        <p>{say.pleaseRestThisHandNo({ reasons: sheet.reasons.join('; ') })}</p>
      ) : (
        <>
          <p>
            <strong>{sheet.one_thing}</strong> {sheet.why}
          </p>
          {sheet.eased && <p>{say.easingOffThisWeekHalf()}</p>}
          <p>
            {say.minutesADayOn({
              minutesADay: sheet.minutes_a_day,
              days: sheet.days
                .filter((day) => day.exercises.length > 0)
                .map((day) => day.weekday)
                .join(', '),
            })}
          </p>
          <ol>
            {sheet.items.map((item) => (
              <li key={item.exercise}>
                <Rich
                  says={say.feelsLikeStopWhen({
                    name: item.name,
                    dose: item.dose,
                    steps: item.steps.join(' '),
                    feel: item.feel,
                    stop: item.stop,
                  })}
                />
              </li>
            ))}
          </ol>
          {sheet.teacher_line && <p>“{sheet.teacher_line}”</p>}
        </>
      )}
    </details>
  );
}
