import type { Lesson } from '../api/client';
import { againWord } from '../words/again';
import { MOVE_WORDS, shortDate } from '../words/words';

type StopKind = 'break' | 'again' | 'days' | 'review' | 'fit' | 'complaint' | 'body';

/** One thing to ask, as a stop on the string. */
export interface AskStop {
  id: string;
  kind: StopKind;
  /** Of the row: an answer to what was told, an exercise. */
  key: string;
  group: 'From last time' | 'Last week: show me' | 'Today';
  title: string;
  line: string;
  done: boolean;
}

/** What is asked in this lesson, in its order: a break, what hurt, last week, today. */
export function stopsOf(lesson: Lesson, complaint: string): AskStop[] {
  return [
    ...breakStop(lesson),
    ...lesson.again.map((each): AskStop => ({
      id: `again ${each.key}`,
      kind: 'again',
      key: each.key,
      group: 'From last time',
      title: each.says.replace(/^Last time:? /, '').replace(/^./, (first) => first.toUpperCase()),
      line: againWord(each.answer) || `said ${shortDate(each.on)}`,
      done: each.answer !== '',
    })),
    ...weekStops(lesson),
    {
      id: 'complaint',
      kind: 'complaint',
      key: '',
      group: 'Today',
      title: 'What bothers most',
      line: complaint || 'in the player’s words',
      done: lesson.complaint !== null,
    },
    {
      id: 'body',
      kind: 'body',
      key: '',
      group: 'Today',
      title: 'Pain, numbness, tiredness',
      line: bodyWords(lesson),
      done: lesson.asked,
    },
  ];
}

function breakStop(lesson: Lesson): AskStop[] {
  if (lesson.weeks_away === null) return [];
  const said = lesson.break_weeks;
  return [
    {
      id: 'break',
      kind: 'break',
      key: '',
      group: 'From last time',
      title: `${lesson.weeks_away} weeks away`,
      line: said === null ? 'played in between?' : said === 0 ? 'played' : 'a break',
      done: said !== null,
    },
  ];
}

function weekStops(lesson: Lesson): AskStop[] {
  const week = 'Last week: show me';
  const days: AskStop[] = lesson.paper_week
    ? [
        {
          id: 'days',
          kind: 'days',
          key: '',
          group: week,
          title: 'Days of practice',
          line: daysWords(lesson.paper_week.practised, lesson.paper_week.planned.length),
          done: lesson.paper_week.practised !== null,
        },
      ]
    : [];
  const shown = lesson.review.map((row): AskStop => ({
    id: `review ${row.item}`,
    kind: 'review',
    key: String(row.item),
    group: week,
    title: row.name,
    line:
      (row.pain ?? 0) > 0
        ? 'it hurt'
        : row.passed === null
          ? `step ${row.rung} of ${row.rungs}: ${row.rung_words}`
          : `${MOVE_WORDS[row.move]}: ${row.reason}`,
    done: row.passed !== null,
  }));
  const fit: AskStop[] = lesson.fit
    ? [
        {
          id: 'fit',
          kind: 'fit',
          key: '',
          group: week,
          title: `Did it help: ${lesson.fit.change}?`,
          line: shortDate(lesson.fit.date),
          done: lesson.fit.judged !== '',
        },
      ]
    : [];
  return [...days, ...shown, ...fit];
}

function daysWords(practised: string[] | null, planned: number): string {
  return practised === null ? 'no log came home' : `${practised.length} of ${planned} planned days`;
}

function bodyWords(lesson: Lesson): string {
  const { pain } = lesson.reports;
  if (typeof pain === 'number' && pain > 0) return `pain ${pain} of 10`;
  if (!lesson.asked) return 'not asked yet';
  return Object.values(lesson.reports).every((value) => value === 0) ? 'nothing hurts' : 'told';
}
