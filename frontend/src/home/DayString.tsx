import css from './DayString.module.css';
import { dayOfMonth, shortDay, shownDays } from './dayWords';
import { itemsOn, type WeekNow } from './weekNow';
import * as say from '../messages/compiled/home';

const WORDS: Record<string, string> = {
  done: 'all',
  partly: 'some',
  not: 'not',
  free: 'free',
  lesson: 'lesson',
  planned: '',
  over: '',
};

interface Props {
  week: WeekNow;
  shown: string | null;
  onShow: (date: string) => void;
}

/** The days from lesson to lesson as rings on a string; touch one to see it. */
export function DayString({ week, shown, onShow }: Props) {
  return (
    <ol className={css.days} aria-label={say.daysOfTheWeek()}>
      {shownDays(week.given_on, week.today).map((date) => {
        const state = stateOf(week, date);
        const isToday = date === week.today;
        return (
          <li key={date}>
            <button
              type="button"
              data-today={isToday || undefined}
              aria-pressed={date === shown}
              onClick={() => onShow(date)}
            >
              <i data-state={state} aria-hidden="true" />
              <span>{shortDay(date)}</span>
              <small>{isToday ? say.today() : WORDS[state]}</small>
              <span className="sr-only">
                {isToday && `${WORDS[state]}, `}
                {dayOfMonth(date)}
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}

function stateOf(week: WeekNow, date: string): string {
  const log = week.days.find((day) => day.date === date);
  if (log) return log.done;
  if (date === week.given_on) return 'lesson';
  if (itemsOn(week, date).length > 0) return 'planned';
  return date < week.today ? 'over' : 'free';
}
