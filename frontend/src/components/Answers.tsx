import type { ReactNode } from 'react';

import css from './Answers.module.css';
import { Key } from './Key';

export interface Answer {
  id: string;
  word: string;
  means?: string | undefined;
  /** What stands before the word: beads, a strand. */
  mark: ReactNode;
  picture?: ReactNode;
  /** Beside the word, quiet: what it was last time. */
  aside?: string | undefined;
  shortcut: string;
  chosen: boolean;
}

interface Props {
  label: string;
  answers: Answer[];
  disabled?: boolean;
  onAnswer: (id: string) => void;
}

/** The answers to one question, each on a string of its own, from the thinnest to the thickest. They
 * hang from the bottom of the page and never move. */
export function Answers({ label, answers, disabled = false, onAnswer }: Props) {
  return (
    <div className={css.answers} role="group" aria-label={label}>
      {answers.map((answer) => (
        <button
          key={answer.id}
          type="button"
          aria-pressed={answer.chosen}
          aria-disabled={disabled || undefined}
          aria-keyshortcuts={answer.shortcut}
          onClick={() => onAnswer(answer.id)}
        >
          <span className={css.mark}>{answer.mark}</span>
          <span className={css.said}>
            <span className={css.word}>
              {answer.word} {answer.aside && <span className={css.aside}>{answer.aside}</span>}
            </span>{' '}
            {answer.means && <span className={css.means}>{answer.means}</span>}
          </span>
          <span className={css.picture}>{answer.picture}</span>
          <Key name={answer.shortcut} />
        </button>
      ))}
    </div>
  );
}
