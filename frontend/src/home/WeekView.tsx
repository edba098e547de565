import { Hand } from '../drawings/Hand';
import { savedWords, type OutboxState } from '../outbox/outboxState';
import { DayString } from './DayString';
import { doneOn } from './dayLog';
import { doseWords, longDay, minutesSaid } from './dayWords';
import home from './home.module.css';
import { HowFar } from './HowFar';
import { dayNumber, hurtsOn, itemsOn, type WeekNow } from './weekNow';
import css from './WeekView.module.css';

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
        <h1 className={css.one}>{week.one_thing?.say ?? `${week.first_name}’s week`}</h1>
        {week.one_thing?.why && <p className={css.why}>{week.one_thing.why}</p>}
        <Notes week={week} />
        <DayString week={week} shown={shown} onShow={on.onShow} />
        {rests ? (
          <div className={home.note} role="status">
            <strong>No more today.</strong> Tomorrow only if nothing hurts, and then half as much.{' '}
            {log.hurt === 'open' && (
              <button type="button" className={home.quiet} onClick={on.onNothing}>
                It was nothing
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
                  {isDone(week, shown, item.exercise) && <span className="sr-only">done</span>}
                </button>
              </li>
            ))}
          </ul>
        )}
        {week.take && (
          <button type="button" className={home.quiet} onClick={on.onTake}>
            Your teacher asks for a recording
          </button>
        )}
        <span className={home.grow} />
        {week.ear_line && <p className={css.why}>{week.ear_line}</p>}
        {week.teacher_line && <p className={css.teacher}>“{week.teacher_line}”</p>}
        {mayLog && !rests && (items.length > 0 || log) && (
          <button type="button" className={home.quiet} onClick={on.onLog}>
            {log ? `${loggedWords(log)} Change it` : logWords(shown === week.today, shown)}
          </button>
        )}
        <div className={home.bar}>
          <button type="button" className={home.hurts} onClick={on.onHurts}>
            It hurts
          </button>
          {items.length > 0 && !rests && (
            <button type="button" className={home.main} onClick={() => on.onBegin(null)}>
              {shown > week.today ? 'Try it through' : `Begin · ${minutesSaid(minutes)}`}
            </button>
          )}
        </div>
      </div>
      <HowFar climbed={week.climbed} better={week.better} />
      <p className={css.foot}>
        Soft and short is better than long and tight.{' '}
        <a href={`/api/home/${token}/practice.ics`}>Put the week into a calendar</a>
      </p>
    </>
  );
}

function Notes({ week }: { week: WeekNow }) {
  return (
    <>
      {(week.eased || week.given_eased) && (
        <p className={home.note} role="status">
          <strong>Easing off.</strong> Half as much of it, soft and short, until your next lesson.
          Leave out whatever hurts.
          {week.resting.length > 0 && ` Left out for now: ${week.resting.join(', ')}.`}
        </p>
      )}
      {!week.eased && week.sore.includes('skin') && (
        <p className={home.note} role="status">
          <strong>A little shorter</strong> while the skin of the fingertips is sore.
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
  done: 'Kept: all of it.',
  partly: 'Kept: some of it.',
  not: 'Kept: not this day.',
};

function loggedWords(log: WeekNow['days'][number]): string {
  return DONE[log.done] ?? 'Kept.';
}

function logWords(isToday: boolean, date: string): string {
  return isToday ? 'Done already, without the phone?' : `How was ${longDay(date)}?`;
}

function freeWords(week: WeekNow, shown: string): string {
  if (week.eased && week.items.length === 0) {
    return 'Rest the hand from the exercises until your next lesson.';
  }
  const number = dayNumber(week.given_on, shown);
  if (number > 0 && number % DAYS_OF_A_WEEK === 0) {
    return 'The day of the lesson is free of these: a rested hand shows best what it can.';
  }
  return shown === week.today
    ? 'Nothing to practise today. Rest is part of it: play what you like.'
    : 'Nothing on this day.';
}
