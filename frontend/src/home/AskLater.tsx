import { useState } from 'react';

import css from './HomePage.module.css';

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
  const day = new Date(`${date}T12:00:00`).toLocaleDateString('en-GB', { weekday: 'long' });
  function toggle(time: string) {
    const now = times ?? [];
    setTimes(now.includes(time) ? now.filter((each) => each !== time) : [...now, time]);
  }
  return (
    <section className={css.ask} aria-label="After it hurt">
      <h2>On {day} it hurt. Was it still there later?</h2>
      {times === null ? (
        <div className={css.choice} role="group" aria-label="Still there later">
          <button type="button" onClick={() => onAnswer(date, [])}>
            No, it went away
          </button>
          <button type="button" onClick={() => setTimes([])}>
            Yes
          </button>
        </div>
      ) : (
        <>
          <p>When? Touch all that fit.</p>
          <div className={css.choice} role="group" aria-label="When it was there">
            {TIMES.map(([time, words]) => (
              <button
                key={time}
                type="button"
                aria-pressed={times.includes(time)}
                onClick={() => toggle(time)}
              >
                {words}
              </button>
            ))}
          </div>
          <button
            type="button"
            className={css.main}
            disabled={times.length === 0}
            onClick={() => onAnswer(date, times)}
          >
            Keep this
          </button>
        </>
      )}
    </section>
  );
}
