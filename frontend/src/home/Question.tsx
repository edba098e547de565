import type { ReactNode } from 'react';

import css from './home.module.css';

export interface Choice<T extends string> {
  id: T;
  words: string;
  /** What it means, in small. */
  means?: string;
  isAlarm?: boolean;
}

interface Props<T extends string> {
  ask: string;
  choices: readonly Choice<T>[];
  onChoose: (id: T) => void;
  children?: ReactNode;
}

/** One question on the screen, each answer a large button. */
export function Question<T extends string>({ ask, choices, onChoose, children }: Props<T>) {
  return (
    <section className={css.ask} aria-label={ask}>
      <h1>{ask}</h1>
      {choices.map(({ id, words, means, isAlarm }) => (
        <button
          key={id}
          type="button"
          className={isAlarm ? css.hurts : css.plain}
          onClick={() => onChoose(id)}
        >
          {words}
          {means && <small>{means}</small>}
        </button>
      ))}
      {children}
    </section>
  );
}
