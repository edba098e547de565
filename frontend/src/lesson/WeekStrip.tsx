import { minutesWords } from '../words/words';
import type { PlanItem } from './planDraft';
import { weekOf } from './planDraft';
import { weekday } from './weekday';
import css from './WeekStrip.module.css';

interface Props {
  items: PlanItem[];
  lessonDate: string;
}

/** The seven days after the lesson: minutes of each, the days off, the days that load the hand. */
export function WeekStrip({ items, lessonDate }: Props) {
  return (
    <ol className={css.week} aria-label="Minutes of each day">
      {weekOf(items).map(({ day, minutes, loads }) => (
        <li key={day} data-off={minutes === 0 || undefined}>
          <strong>{weekday(lessonDate, day)}</strong>
          <span>{minutes === 0 ? 'off' : minutesWords(minutes)}</span>
          <small>{loads ? 'strength' : ''}</small>
        </li>
      ))}
    </ol>
  );
}
