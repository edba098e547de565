import { DayString } from './DayString';
import { longDay } from './dayWords';
import css from './home.module.css';
import type { WeekNow } from './weekNow';

interface Props {
  week: WeekNow;
  date: string;
  /** Whether it has arrived. */
  saved: string;
  onChange: () => void;
  onWeek: () => void;
}

/** The day is kept: it is on the string. Nothing is counted down, no missed day is a loss. */
export function Thanks({ week, date, saved, onChange, onWeek }: Props) {
  const days = week.days.filter((day) => day.done !== 'not').length;
  return (
    <>
      <header className={css.top}>
        <span />
        <span role="status">{saved}</span>
      </header>
      <section className={css.ask} aria-label="Kept">
        <h1>{longDay(date)} is on the string.</h1>
        <DayString week={week} shown={null} onShow={onWeek} />
        <p className={css.large}>
          {days === 1 ? 'One day' : `${days} days`} so far since your lesson. Thank you.
        </p>
      </section>
      <div className={css.bar}>
        <button type="button" className={css.plain} onClick={onChange}>
          Change it
        </button>
        <button type="button" className={css.main} onClick={onWeek}>
          To the week
        </button>
      </div>
    </>
  );
}
