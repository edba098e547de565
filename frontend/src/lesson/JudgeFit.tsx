import { Button } from '@mantine/core';

import { shortDate } from '../words/words';
import css from './AskStep.module.css';
import type { LessonHandle } from './useLesson';

const ANSWERS = [
  ['helped', 'It helped'],
  ['same', 'No difference'],
  ['worse', 'Worse: go back'],
] as const;

/** The last change of fit is judged in the lesson after it; a second touch takes the word back. */
export function JudgeFit({ handle: { lesson, enter } }: { handle: LessonHandle }) {
  const { fit } = lesson;
  if (fit === null) return null;
  return (
    <section>
      <h2>
        {shortDate(fit.date)}: {fit.change}. Did it help?
      </h2>
      <div className={css.answers} role="group" aria-label="Did the change of fit help">
        {ANSWERS.map(([answer, words]) => (
          <Button
            key={answer}
            variant={fit.judged === answer ? 'filled' : 'default'}
            aria-pressed={fit.judged === answer}
            onClick={() => enter('fit', String(fit.id), fit.judged === answer ? '' : answer)}
          >
            {words}
          </Button>
        ))}
      </div>
    </section>
  );
}
