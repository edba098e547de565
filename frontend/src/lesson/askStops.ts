import type { Lesson } from '../api/client';
import { againWord } from '../words/again';
import { MOVE_WORDS, shortDate, upperFirst } from '../words/words';
import * as say from '../messages/compiled/lesson';

/** From last time, from last week's practice, of today. */
export type AskGroup = 'before' | 'week' | 'today';

export const GROUP_WORDS: Record<AskGroup, string> = {
  before: say.fromLastTime(),
  week: say.lastWeekShowMe(),
  today: say.today(),
};

type StopKind = 'break' | 'again' | 'days' | 'review' | 'fit' | 'complaint' | 'body';

/** One thing to ask, as a stop on the string. */
export interface AskStop {
  id: string;
  kind: StopKind;
  /** Of the row: an answer to what was told, an exercise. */
  key: string;
  group: AskGroup;
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
      group: 'before',
      title: upperFirst(each.what),
      line: againWord(each.answer) || say.said({ on: shortDate(each.on) }),
      done: each.answer !== '',
    })),
    ...weekStops(lesson),
    {
      id: 'complaint',
      kind: 'complaint',
      key: '',
      group: 'today',
      title: say.whatBothersMost(),
      line: complaint || say.inThePlayersWords(),
      done: lesson.complaint !== null,
    },
    {
      id: 'body',
      kind: 'body',
      key: '',
      group: 'today',
      title: say.painNumbnessTiredness(),
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
      group: 'before',
      title: say.weeksAway({ weeksAway: lesson.weeks_away }),
      line: said === null ? say.playedInBetweenInside() : said === 0 ? say.played() : say.aBreak(),
      done: said !== null,
    },
  ];
}

function weekStops(lesson: Lesson): AskStop[] {
  const days: AskStop[] = lesson.paper_week
    ? [
        {
          id: 'days',
          kind: 'days',
          key: '',
          group: 'week',
          title: say.daysOfPractice(),
          line: daysWords(lesson.paper_week.practised, lesson.paper_week.planned.length),
          done: lesson.paper_week.practised !== null,
        },
      ]
    : [];
  const shown = lesson.review.map((row): AskStop => ({
    id: `review ${row.item}`,
    kind: 'review',
    key: String(row.item),
    group: 'week',
    title: row.name,
    line:
      (row.pain ?? 0) > 0
        ? say.itHurtInside()
        : row.passed === null
          ? say.stepOfOfRung({ rung: row.rung, rungs: row.rungs, rungWords: row.rung_words })
          : `${MOVE_WORDS[row.move]}: ${row.reason}`,
    done: row.passed !== null,
  }));
  const fit: AskStop[] = lesson.fit
    ? [
        {
          id: 'fit',
          kind: 'fit',
          key: '',
          group: 'week',
          title: say.didItHelpOfChange({ change: lesson.fit.change }),
          line: shortDate(lesson.fit.date),
          done: lesson.fit.judged !== '',
        },
      ]
    : [];
  return [...days, ...shown, ...fit];
}

function daysWords(practised: string[] | null, planned: number): string {
  return practised === null
    ? say.noLogCameHome()
    : say.ofPlannedDaysOfCount({ count: practised.length, planned });
}

function bodyWords(lesson: Lesson): string {
  const { pain } = lesson.reports;
  if (typeof pain === 'number' && pain > 0) return say.painOf10OfPain({ pain });
  if (!lesson.asked) return say.notAskedYet();
  return Object.values(lesson.reports).every((value) => value === 0)
    ? say.nothingHurts()
    : say.told();
}
