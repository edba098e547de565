import { useState } from 'react';

import { longDay } from './dayWords';
import css from './home.module.css';
import { type Choice, Question } from './Question';
import * as say from '../messages/compiled/home';

const STILL: Choice<'no' | 'yes'>[] = [
  { id: 'no', words: say.noItWentAway() },
  { id: 'yes', words: say.yes(), isAlarm: true },
];
const TIMES: [string, string][] = [
  ['next_day', say.theNextDay()],
  ['rest', say.whenIRested()],
  ['night', say.atNight()],
];

interface Props {
  /** The day on which something hurt. */
  date: string;
  onAnswer: (date: string, times: string[]) => void;
}

/** The day after it hurt: was it still there? Then the week stops. */
export function AskLater({ date, onAnswer }: Props) {
  const [times, setTimes] = useState<string[] | null>(null);
  function toggle(time: string) {
    const now = times ?? [];
    setTimes(now.includes(time) ? now.filter((each) => each !== time) : [...now, time]);
  }
  if (times === null) {
    return (
      <Question
        ask={say.onItHurtWasIt({ date: longDay(date) })}
        choices={STILL}
        onChoose={(id) => (id === 'no' ? onAnswer(date, []) : setTimes([]))}
      />
    );
  }
  return (
    <section className={css.ask} aria-label={say.whenItWasThere()}>
      <h1>{say.whenTouchAllThatFit()}</h1>
      {TIMES.map(([time, words]) => (
        <button
          key={time}
          type="button"
          className={css.plain}
          aria-pressed={times.includes(time)}
          onClick={() => toggle(time)}
        >
          {words}
        </button>
      ))}
      <button
        type="button"
        className={css.main}
        disabled={times.length === 0}
        onClick={() => onAnswer(date, times)}
      >
        {say.keepThis()}
      </button>
    </section>
  );
}
