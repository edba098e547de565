import type { Schemas } from '../api/client';
import { useKeys } from '../components/useKeys';
import touch from '../components/touch.module.css';
import { AGAIN } from '../words/again';
import css from './AskedAgain.module.css';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

/** What was told last time, asked again by name; keys 0 to 3 answer the first that is open. */
export function AskedAgain({ handle }: { handle: LessonHandle }) {
  const { lesson, enter } = handle;
  const open = lesson.again.find((each) => each.answer === '');
  const tell = (index: number) => () => {
    const answer = AGAIN[index]?.[0];
    if (open && answer) enter('again', open.key, answer);
  };
  useKeys(open ? { '0': tell(0), '1': tell(1), '2': tell(2), '3': tell(3) } : {});
  if (lesson.again.length === 0) return null;
  return (
    <section className={css.asked} aria-label={say.fromLastTime()}>
      {lesson.again.map((each) => (
        <Question key={each.key} asked={each} isNext={each === open} enter={enter} />
      ))}
    </section>
  );
}

interface QuestionProps {
  asked: Schemas['AskedOut'];
  isNext: boolean;
  enter: LessonHandle['enter'];
}

function Question({ asked, isNext, enter }: QuestionProps) {
  const title = say.andNow({ says: asked.says });
  return (
    <div className={css.question} data-next={isNext || undefined}>
      <h2>{title}</h2>
      <div className={css.answers} role="group" aria-label={title}>
        {AGAIN.map(([answer, words], index) => (
          <button
            key={answer}
            type="button"
            className={touch.button}
            aria-pressed={asked.answer === answer}
            aria-keyshortcuts={isNext ? String(index) : undefined}
            onClick={() => enter('again', asked.key, asked.answer === answer ? null : answer)}
          >
            {words}
          </button>
        ))}
      </div>
    </div>
  );
}
