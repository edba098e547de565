import { DayString } from './DayString';
import { longDay } from './dayWords';
import css from './home.module.css';
import type { WeekNow } from './weekNow';
import * as say from '../messages/compiled/home';

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
      <section className={css.ask} aria-label={say.kept()}>
        <h1>{say.isOnTheString({ date: longDay(date) })}</h1>
        <DayString week={week} shown={null} onShow={onWeek} />
        <p className={css.large}>{say.oneDaySoFarSince({ days })}</p>
      </section>
      <div className={css.bar}>
        <button type="button" className={css.plain} onClick={onChange}>
          {say.changeIt()}
        </button>
        <button type="button" className={css.main} onClick={onWeek}>
          {say.toTheWeek()}
        </button>
      </div>
    </>
  );
}
