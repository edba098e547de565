import type { Schemas } from '../api/client';
import * as say from '../messages/compiled/words';

const LESSON_KINDS: Record<Schemas['EntryIn']['kind'], string> = {
  observation: say.grade(),
  reports: say.answers(),
  again: say.answerAboutLastTime(),
  complaint: say.complaint(),
  complaint_finger: say.fingerOfTheComplaint(),
  skip: say.skippedCheck(),
  cause: say.wordOnACause(),
  result: say.lastWeeksResult(),
  order: say.orderOfLooking(),
  break: say.breakWord(),
  practised: say.daysPractised(),
  disliked: say.dislike(),
  harder: say.harderPiece(),
  fit: say.fitJudged(),
  line: say.lineOnTheSheet(),
  one_thing: say.oneThingOfTheWeek(),
  home_take: say.takeAtHome(),
  focus: say.focus(),
  plan: say.plan(),
};

/** Kinds of entries, as they are called when they wait or were not taken. */
export const KIND_WORDS: Record<string, string> = {
  ...LESSON_KINDS,
  grade: say.gradeInClass(),
  rest: say.restOfTheClass(),
};
