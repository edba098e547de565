import { useState } from 'react';

import { type Answers, UNANSWERED } from './dayLog';
import { type Choice, Question } from './Question';
import type { WeekNow } from './weekNow';
import * as say from '../messages/compiled/home';

const KEPT: Choice<Answers['one_thing']>[] = [
  { id: 'mostly', words: say.yesMostly() },
  { id: 'partly', words: say.nowAndThen() },
  { id: 'not', words: say.notYet() },
];
const FELT: Choice<Answers['felt']>[] = [
  { id: 'soft', words: say.soft(), means: say.easyAllTheWay() },
  { id: 'mixed', words: say.inBetween(), means: say.softAtFirstTightLater() },
  { id: 'tight', words: say.tight(), means: say.hardStiffOrTired() },
];
const HURT: Choice<'no' | 'yes'>[] = [
  { id: 'no', words: say.noNothing() },
  { id: 'yes', words: say.yes(), isAlarm: true },
];

interface Props {
  week: WeekNow;
  onKeep: (answers: Answers) => void;
  /** Something hurt. */
  onHurts: (answers: Answers) => void;
}

/** Three questions after practice, a touch each: the one thing, the hand, anything that hurt. */
export function EndOfDay({ week, onKeep, onHurts }: Props) {
  const [answers, setAnswers] = useState<Answers>(UNANSWERED);
  const ask = week.one_thing?.ask;
  if (ask && answers.one_thing === '') {
    return (
      <Question
        key="one"
        ask={ask}
        choices={KEPT}
        onChoose={(id) => setAnswers({ ...answers, one_thing: id })}
      />
    );
  }
  if (answers.felt === '') {
    return (
      <Question
        key="felt"
        ask={say.howDidYourLeftHand()}
        choices={FELT}
        onChoose={(id) => setAnswers({ ...answers, felt: id })}
      />
    );
  }
  return (
    <Question
      key="hurt"
      ask={say.didAnythingHurtTingleOr()}
      choices={HURT}
      onChoose={(id) => (id === 'no' ? onKeep(answers) : onHurts(answers))}
    />
  );
}
