import css from './HomePage.module.css';
import type { WeekNow } from './weekNow';

const DAYS_SHOWN = 7;

interface Props {
  week: WeekNow;
  shown: string;
  onShow: (date: string) => void;
}

/** The days of the week with what was meant and what was done; touch one to see it. */
export function WeekDays({ week, shown, onShow }: Props) {
  return (
    <ol className={css.days} aria-label="Days of the week">
      {daysOf(week).map((date) => {
        const log = week.days.find((day) => day.date === date);
        const meant = week.items.some((item) => item.days.includes(date));
        const state = log?.done ?? (meant ? 'planned' : date < week.today ? 'over' : 'free');
        return (
          <li key={date}>
            <button type="button" aria-pressed={date === shown} onClick={() => onShow(date)}>
              <span>{shortDay(date)}</span>
              <i data-state={state} aria-hidden="true" />
              <small>{date === week.today ? 'today' : state}</small>
              <span className="sr-only">
                {date === week.today && `${state}, `}
                {dayOfMonth(date)}
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}

/** The seven days after the lesson; once they are over, the seven up to today. */
function daysOf(week: WeekNow): string[] {
  const last = plus(week.given_on, DAYS_SHOWN);
  const first = week.today > last ? plus(week.today, 1 - DAYS_SHOWN) : plus(week.given_on, 1);
  return Array.from({ length: DAYS_SHOWN }, (_, index) => plus(first, index));
}

function plus(date: string, days: number): string {
  const moved = new Date(`${date}T12:00:00Z`);
  moved.setUTCDate(moved.getUTCDate() + days);
  return moved.toISOString().slice(0, 10);
}

function shortDay(date: string): string {
  return new Date(`${date}T12:00:00`).toLocaleDateString('en-GB', { weekday: 'short' });
}

function dayOfMonth(date: string): string {
  return new Date(`${date}T12:00:00`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
  });
}
