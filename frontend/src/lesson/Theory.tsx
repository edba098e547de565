import { Button } from '@mantine/core';

import type { Lesson } from '../api/client';
import { leadFirst } from './leadFirst';
import css from './Theory.module.css';

const SHOWN = 4;

/** What it means so far: the leading causes in words, the focus, and whether enough was seen. */
export function Theory({ lesson, onDecide }: { lesson: Lesson; onDecide: () => void }) {
  const some = Object.keys(lesson.findings).length > 0 || lesson.complaint !== null;
  const remembered = lesson.causes.some((cause) => cause.before !== '');
  const causes = leadFirst(lesson)
    .filter((c) => c.teacher_word !== 'dismissed')
    .slice(0, SHOWN);
  const lead = lesson.focus[0];
  return (
    <section className={css.theory} aria-label="What it means">
      <h2>What it means</h2>
      {!some && (
        <p className="quiet">
          {remembered
            ? 'From the lessons before. Nothing was looked at today yet.'
            : 'Nothing seen yet. Start with the look on the left.'}
        </p>
      )}
      {(some || remembered) && (
        <ol className={css.causes} aria-live="polite">
          {causes.map((cause) => (
            <li key={cause.id}>
              <span className={css.cause}>
                {cause.name}
                {cause.fingers.length > 0 && (
                  <span className="quiet"> (finger {cause.fingers.join(', ')})</span>
                )}
              </span>
              <span className={css.word} data-word={cause.word}>
                {cause.word}
              </span>
              <span
                className={css.bar}
                style={{ width: `${Math.round(cause.probability * 100)}%` }}
                title={`${Math.round(cause.probability * 100)} %`}
              />
            </li>
          ))}
        </ol>
      )}
      {lead && some && <p>{lead.why}</p>}
      {some && (
        <p className={css.enough}>
          {lesson.enough
            ? 'Enough seen: half a minute more would hardly change the focus.'
            : lead
              ? 'One more look could still change this.'
              : 'No cause is likely yet. Look on.'}
        </p>
      )}
      <Button
        size="lg"
        variant={lesson.enough ? 'filled' : 'default'}
        aria-keyshortcuts="Enter"
        onClick={onDecide}
        disabled={!some}
      >
        Decide
      </Button>
    </section>
  );
}
