import { minutesWords, weekday } from '../words/words';
import type { PlanItem } from './planDraft';
import { weekOf } from './planDraft';
import css from './Days.module.css';
import * as say from '../messages/compiled/lesson';

interface Props {
  items: PlanItem[];
  lessonDate: string;
}

/** The seven days after the lesson on a string: minutes of each, days off, days that load the hand. */
export function WeekStrip({ items, lessonDate }: Props) {
  return (
    <ol className={css.days} aria-label={say.minutesOfEachDay()}>
      {weekOf(items).map(({ day, minutes, loads }) => (
        <li key={day} data-on={minutes > 0 || undefined}>
          <i />
          <span>{weekday(lessonDate, day)}</span>
          <small>{minutes === 0 ? say.dayOff() : minutesWords(minutes)}</small>
          <small>{loads ? say.strength() : ''}</small>
        </li>
      ))}
    </ol>
  );
}
