import { minutesWords, painSaid, shortDate, weekday } from '../words/words';
import type { Row } from './day';
import * as say from '../messages/compiled/today';
import { beside } from '../words/lists';

interface Said {
  words: string;
  is: 'plain' | 'stop';
}

/** With what a player comes: the stop, where the lesson went, the focus, or what is due. */
export function firstLine(row: Row): Said {
  if (row.flag)
    return { words: say.stopOfReasons({ reasons: row.flag.reasons[0] ?? '' }), is: 'stop' };
  if (row.away) return { words: awayWords(row.away), is: 'plain' };
  if (row.focus.length > 0) return { words: beside(row.focus), is: 'plain' };
  return { words: row.due.length > 0 ? say.lookAgain() : say.noFocusYet(), is: 'plain' };
}

function awayWords({ to, at }: NonNullable<Row['away']>): string {
  return to === null
    ? say.absentTodayInside()
    : say.movedToOfTo({ weekday: weekday(to), day: shortDate(to), at: at ?? '' });
}

/** The one thing to know below it. */
export function secondLine(row: Row): string {
  if (row.pain) return painWords(row.pain);
  if (row.away) return row.flag ? awayWords(row.away) : say.theWeekGoesOnAs();
  if (row.due.length > 0) return say.lookAgainOfDue({ due: beside(row.due) });
  if (!row.last_lesson) return say.firstLesson();
  if (row.home && !row.flag) return say.home({ told: homeWords(row.home) });
  const given = weekWords(row);
  return given
    ? say.lastSeenOfLastLesson({ lastLesson: shortDate(row.last_lesson), given })
    : say.lastSeenOfLastLessonInside({ lastLesson: shortDate(row.last_lesson) });
}

export function painWords(pain: NonNullable<Row['pain']>): string {
  return say.hurtAtHomeOn({ date: shortDate(pain.date), pain: painSaid(pain.pain) });
}

export function homeWords({ done, planned, tight }: NonNullable<Row['home']>): string {
  const days = planned >= done ? say.ofDays({ done, planned }) : say.days({ done });
  return tight > 0 ? beside([days, say.tightOn({ tight })]) : days;
}

/** '' where no week stands. */
export function weekWords(row: Row): string {
  if (row.minutes === null || row.minutes <= 0 || row.flag) return '';
  return say.aDay({ minutes: minutesWords(row.minutes) });
}
