import { Hand } from '../drawings/Hand';
import { savedWords, type OutboxState } from '../outbox/outboxState';
import { DayString } from './DayString';
import { doneOn } from './dayLog';
import { doseWords, longDay, minutesSaid } from './dayWords';
import home from './home.module.css';
import { HowFar } from './HowFar';
import { dayNumber, hurtsOn, itemsOn, type WeekNow } from './weekNow';
import css from './WeekView.module.css';
import * as say from '../messages/compiled/home';
import { Rich } from '../messages/Rich';
import { listed } from '../words/lists';

const DAYS_OF_A_WEEK = 7;

interface WeekActions {
  onShow: (date: string) => void;
  /** Begin with this exercise; null for the first page. */
  onBegin: (exercise: string | null) => void;
  onHurts: () => void;
  onLog: () => void;
  onNothing: () => void;
  onTake: () => void;
}

interface Props extends WeekActions {
  token: string;
  week: WeekNow;
  shown: string;
  queue: OutboxState;
}

/** The week: its one thing, its days, what is for the day that is touched. */
export function WeekView({ token, week, shown, queue, ...on }: Props) {
  const items = itemsOn(week, shown);
  const log = week.days.find((day) => day.date === shown) ?? null;
  const rests = log !== null && hurtsOn(log) && log.place !== 'skin' && shown === week.today;
  const mayLog = shown <= week.today && shown >= week.given_on;
  const minutes = items.reduce((sum, item) => sum + item.minutes, 0);
  return (
    <>
      <div className={css.screen}>
        <header className={home.top}>
          <span>
            <strong>{week.first_name}</strong> · {week.instrument}
          </span>
          <span role="status">{savedWords(queue)}</span>
        </header>
        <h1 className={css.one}>
          {week.one_thing?.say ?? say.sWeek({ firstName: week.first_name })}
        </h1>
        {week.one_thing?.why && <p className={css.why}>{week.one_thing.why}</p>}
        <Notes week={week} />
        <DayString week={week} shown={shown} onShow={on.onShow} />
        {rests ? (
          <div className={home.note} role="status">
            <Rich says={say.noMoreTodayTomorrowOnly()} />{' '}
            {log.hurt === 'open' && (
              <button type="button" className={home.quiet} onClick={on.onNothing}>
                {say.itWasNothing()}
              </button>
            )}
          </div>
        ) : items.length === 0 ? (
          <p className={css.free}>{freeWords(week, shown)}</p>
        ) : (
          <ul className={css.list}>
            {items.map((item) => (
              <li key={item.exercise}>
                <button type="button" onClick={() => on.onBegin(item.exercise)}>
                  <span className={css.thumb}>
                    {item.picture?.frames[0] && <Hand frame={item.picture.frames[0]} words="" />}
                  </span>
                  <span>
                    <strong>{item.name}</strong>
                    {doseWords(item)}
                  </span>
                  <i data-done={isDone(week, shown, item.exercise) || undefined} />
                  {isDone(week, shown, item.exercise) && (
                    <span className="sr-only">{say.doneInside()}</span>
                  )}
                </button>
              </li>
            ))}
          </ul>
        )}
        {week.take && (
          <button type="button" className={home.quiet} onClick={on.onTake}>
            {say.yourTeacherAsksForA()}
          </button>
        )}
        <span className={home.grow} />
        {week.ear_line && <p className={css.why}>{week.ear_line}</p>}
        {week.teacher_line && <p className={css.teacher}>“{week.teacher_line}”</p>}
        {mayLog && !rests && (items.length > 0 || log) && (
          <button type="button" className={home.quiet} onClick={on.onLog}>
            {log
              ? say.changeItOfLog({ log: loggedWords(log) })
              : logWords(shown === week.today, shown)}
          </button>
        )}
        <div className={home.bar}>
          <button type="button" className={home.hurts} onClick={on.onHurts}>
            {say.itHurts()}
          </button>
          {items.length > 0 && !rests && (
            <button type="button" className={home.main} onClick={() => on.onBegin(null)}>
              {shown > week.today
                ? say.tryItThrough()
                : say.begin({ minutes: minutesSaid(minutes) })}
            </button>
          )}
        </div>
      </div>
      <HowFar climbed={week.climbed} better={week.better} />
      <p className={css.foot}>
        <Rich
          says={say.softAndShortIsBetter()}
          as={{ link: (words) => <a href={`/api/home/${token}/practice.ics`}>{words}</a> }}
        />
      </p>
    </>
  );
}

function Notes({ week }: { week: WeekNow }) {
  return (
    <>
      {(week.eased || week.given_eased) && (
        <p className={home.note} role="status">
          <Rich says={say.easingOffHalfAsMuch()} />
          {week.resting.length > 0 && ` ${say.leftOutForNow({ resting: listed(week.resting) })}`}
        </p>
      )}
      {!week.eased && week.sore.includes('skin') && (
        <p className={home.note} role="status">
          <Rich says={say.aLittleShorterWhileThe()} />
        </p>
      )}
    </>
  );
}

function isDone(week: WeekNow, date: string, exercise: string): boolean {
  const log = week.days.find((day) => day.date === date);
  const all = itemsOn(week, date).map((item) => item.exercise);
  return log !== undefined && doneOn(log, all).includes(exercise);
}

const DONE: Record<string, string> = {
  done: say.keptAllOfIt(),
  partly: say.keptSomeOfIt(),
  not: say.keptNotThisDay(),
};

function loggedWords(log: WeekNow['days'][number]): string {
  return DONE[log.done] ?? say.keptAlone();
}

function logWords(isToday: boolean, date: string): string {
  return isToday ? say.doneAlreadyWithoutThePhone() : say.howWas({ date: longDay(date) });
}

function freeWords(week: WeekNow, shown: string): string {
  if (week.eased && week.items.length === 0) {
    return say.restTheHandFromThe();
  }
  const number = dayNumber(week.given_on, shown);
  if (number > 0 && number % DAYS_OF_A_WEEK === 0) {
    return say.theDayOfTheLesson();
  }
  return shown === week.today ? say.nothingToPractiseTodayRest() : say.nothingOnThisDay();
}
