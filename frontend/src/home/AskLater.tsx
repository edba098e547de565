import { useState } from 'react';

import { longDay } from './dayWords';
import css from './home.module.css';
import { type Choice, Question } from './Question';

const STILL: Choice<'no' | 'yes'>[] = [
  { id: 'no', words: 'No, it went away' },
  { id: 'yes', words: 'Yes', isAlarm: true },
];
const TIMES: [string, string][] = [
  ['next_day', 'the next day'],
  ['rest', 'when I rested'],
  ['night', 'at night'],
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
        ask={`On ${longDay(date)} it hurt. Was it still there later?`}
        choices={STILL}
        onChoose={(id) => (id === 'no' ? onAnswer(date, []) : setTimes([]))}
      />
    );
  }
  return (
    <section className={css.ask} aria-label="When it was there">
      <h1>When? Touch all that fit.</h1>
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
        Keep this
      </button>
    </section>
  );
}
