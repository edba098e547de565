import { minutesWords, painSaid, shortDate, weekday } from '../words/words';
import type { Row } from './day';

interface Said {
  words: string;
  is: 'plain' | 'stop';
}

/** With what a player comes: the stop, where the lesson went, the focus, or what is due. */
export function firstLine(row: Row): Said {
  if (row.flag) return { words: `Stop: ${row.flag.reasons[0] ?? ''}`, is: 'stop' };
  if (row.away) return { words: awayWords(row.away), is: 'plain' };
  if (row.focus.length > 0) return { words: row.focus.join(', '), is: 'plain' };
  return { words: row.due.length > 0 ? 'Look again' : 'no focus yet', is: 'plain' };
}

function awayWords({ to, at }: NonNullable<Row['away']>): string {
  return to === null ? 'absent today' : `moved to ${weekday(to)}, ${shortDate(to)}, ${at ?? ''}`;
}

/** The one thing to know below it. */
export function secondLine(row: Row): string {
  if (row.pain) return painWords(row.pain);
  if (row.away) return row.flag ? awayWords(row.away) : 'the week goes on as given';
  if (row.due.length > 0) return `look again: ${row.due.join(', ').toLowerCase()}`;
  if (!row.last_lesson) return 'first lesson';
  if (row.home && !row.flag) return `home: ${homeWords(row.home)}`;
  const given = weekWords(row);
  return `last seen ${shortDate(row.last_lesson)}${given ? `, ${given}` : ''}`;
}

export function painWords(pain: NonNullable<Row['pain']>): string {
  return `Hurt at home on ${shortDate(pain.date)}: ${painSaid(pain.pain)}`;
}

export function homeWords({ done, planned, tight }: NonNullable<Row['home']>): string {
  const days = planned >= done ? `${done} of ${planned} days` : `${done} days`;
  return tight > 0 ? `${days}, tight on ${tight}` : days;
}

/** '' where no week stands. */
export function weekWords(row: Row): string {
  if (row.minutes === null || row.minutes <= 0 || row.flag) return '';
  return `${minutesWords(row.minutes)} a day`;
}
