import { useState } from 'react';

import { longDay } from './dayWords';
import css from './home.module.css';
import { type Choice, Question } from './Question';
import type { HomeItem } from './weekNow';
import * as say from '../messages/compiled/home';

const HOW_MUCH: Choice<'all' | 'some' | 'none'>[] = [
  { id: 'all', words: say.allOfIt() },
  { id: 'some', words: say.someOfIt() },
  { id: 'none', words: say.notThisDay() },
];

interface Props {
  date: string;
  isToday: boolean;
  items: readonly HomeItem[];
  /** What was done of it, by exercise; null for nothing that day. */
  onDone: (done: readonly string[] | null) => void;
  onWeek: () => void;
}

/** A day that was practised without the phone. */
export function LogByHand({ date, isToday, items, onDone, onWeek }: Props) {
  const [parts, setParts] = useState<readonly string[] | null>(null);
  const all = items.map((item) => item.exercise);
  function choose(id: 'all' | 'some' | 'none') {
    if (id === 'all') onDone(all);
    else if (id === 'none') onDone(null);
    else if (items.length < 2) onDone(all);
    else setParts([]);
  }
  return (
    <>
      <div className={css.top}>
        <button type="button" onClick={onWeek}>
          {say.week()}
        </button>
      </div>
      {parts === null ? (
        <Question
          ask={isToday ? say.howMuchOfItToday() : say.howMuchOfItOn({ date: longDay(date) })}
          choices={HOW_MUCH}
          onChoose={choose}
        />
      ) : (
        <section className={css.ask} aria-label={say.whichOfIt()}>
          <h1>{say.whichOfIt()}</h1>
          {items.map(({ exercise, name }) => {
            const isIn = parts.includes(exercise);
            const others = parts.filter((each) => each !== exercise);
            return (
              <button
                key={exercise}
                type="button"
                className={css.plain}
                aria-pressed={isIn}
                onClick={() => setParts(isIn ? others : [...others, exercise])}
              >
                {name}
              </button>
            );
          })}
          <button
            type="button"
            className={css.main}
            disabled={parts.length === 0}
            onClick={() => onDone(parts)}
          >
            {say.goOn()}
          </button>
        </section>
      )}
    </>
  );
}
