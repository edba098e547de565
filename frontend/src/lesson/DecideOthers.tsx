import type { Catalogue, Lesson } from '../api/client';
import { Key } from '../components/Key';
import touch from '../components/touch.module.css';
import css from './DecideStep.module.css';
import { leadFirst } from './leadFirst';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';
import { beside } from '../words/lists';

const OTHERS = 2;

export function named(lesson: Lesson, cause: string, name: string): string {
  const fingers = lesson.focus.find((each) => each.cause === cause)?.fingers ?? [];
  return fingers.length > 0 ? `${name} (${beside(fingers)})` : name;
}

interface OthersProps {
  lesson: Lesson;
  handle: LessonHandle;
  opened: string | null;
  onChoose: (cause: string | null) => void;
}

/** The second focus, or what it may be instead. */
export function Others({ lesson, handle, opened, onChoose }: OthersProps) {
  const [lead, second] = lesson.focus;
  const named = new Set([lead?.cause, second?.cause]);
  const others = leadFirst(lesson).filter(
    (cause) => !named.has(cause.id) && cause.teacher_word !== 'dismissed',
  );
  return (
    <ul className={css.others}>
      {opened !== null && lead && (
        <li>
          <button type="button" onClick={() => onChoose(null)}>
            <span>{say.backTo({ name: lead.name })}</span>
            <Key name="Esc" />
          </button>
        </li>
      )}
      {second && (
        <li>
          <button type="button" onClick={() => onChoose(second.cause)}>
            <span>
              <em>{say.and()}</em> {second.name}
            </span>
          </button>
          <button
            type="button"
            className={touch.word}
            onClick={() => lead && handle.enter('focus', '', [lead.cause])}
          >
            {say.onlyTheFirst()}
          </button>
        </li>
      )}
      {others.slice(0, second ? OTHERS - 1 : OTHERS).map((cause) => (
        <li key={cause.id}>
          <button type="button" onClick={() => onChoose(cause.id)}>
            <span>
              <em>{say.or()}</em> {cause.name}
            </span>
            <span>{cause.word}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

interface SettleProps {
  check: Catalogue['evidence'][number] | undefined;
  handle: LessonHandle;
  onLookAt: (check: string) => void;
  onWithout: () => void;
}

/** What would make it surer, with its seconds; or the way on without a focus. */
export function Settle({ check, handle, onLookAt, onWithout }: SettleProps) {
  const { lesson, enter } = handle;
  return (
    <div className={css.settle}>
      {lesson.chosen && (
        <button type="button" className={touch.word} onClick={() => enter('focus', '', null)}>
          {say.takeBackMyChoice()}
        </button>
      )}
      {lesson.focus.length === 0 && (
        <button type="button" className={touch.word} onClick={onWithout}>
          {say.goOnWithoutAFocus()}
        </button>
      )}
      {check && !lesson.chosen && lesson.focus.length > 0 && (
        <>
          <p>
            {lesson.settle
              ? say.oneHigherUpIsPossible({ seconds: check.seconds })
              : say.toBeSurerS({ seconds: check.seconds })}
          </p>
          <button
            type="button"
            className={touch.word}
            aria-keyshortcuts="t"
            onClick={() => onLookAt(check.id)}
          >
            {check.label}
            <Key name="t" />
          </button>
        </>
      )}
    </div>
  );
}
