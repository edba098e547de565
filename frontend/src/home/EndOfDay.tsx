import { useState } from 'react';

import { type Answers, UNANSWERED } from './dayLog';
import { type Choice, Question } from './Question';
import type { WeekNow } from './weekNow';

const KEPT: Choice<Answers['one_thing']>[] = [
  { id: 'mostly', words: 'Yes, mostly' },
  { id: 'partly', words: 'Now and then' },
  { id: 'not', words: 'Not yet' },
];
const FELT: Choice<Answers['felt']>[] = [
  { id: 'soft', words: 'Soft', means: 'easy all the way' },
  { id: 'mixed', words: 'In between', means: 'soft at first, tight later' },
  { id: 'tight', words: 'Tight', means: 'hard, stiff or tired' },
];
const HURT: Choice<'no' | 'yes'>[] = [
  { id: 'no', words: 'No, nothing' },
  { id: 'yes', words: 'Yes', isAlarm: true },
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
        ask="How did your left hand feel?"
        choices={FELT}
        onChoose={(id) => setAnswers({ ...answers, felt: id })}
      />
    );
  }
  return (
    <Question
      key="hurt"
      ask="Did anything hurt, tingle or go numb?"
      choices={HURT}
      onChoose={(id) => (id === 'no' ? onKeep(answers) : onHurts(answers))}
    />
  );
}
