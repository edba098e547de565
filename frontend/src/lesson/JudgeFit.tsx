import { Button } from '@mantine/core';

import { shortDate } from '../words/words';
import css from './AskStep.module.css';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

const ANSWERS = [
  ['helped', say.itHelped()],
  ['same', say.noDifference()],
  ['worse', say.worseGoBack()],
] as const;

/** The last change of fit is judged in the lesson after it; a second touch takes the word back. */
export function JudgeFit({ handle: { lesson, enter } }: { handle: LessonHandle }) {
  const { fit } = lesson;
  if (fit === null) return null;
  return (
    <section>
      <h2>{say.didItHelp({ date: shortDate(fit.date), change: fit.change })}</h2>
      <div className={css.answers} role="group" aria-label={say.didTheChangeOfFit()}>
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
