import type { Lesson } from '../api/client';
import css from './DecideStep.module.css';
import { leadFirst } from './leadFirst';
import * as say from '../messages/compiled/lesson';

interface Props {
  lesson: Lesson;
  now: string | undefined;
  onChoose: (cause: string) => void;
}

/** All causes with how likely each is; what the teacher ruled out is struck through. */
export function CauseList({ lesson, now, onChoose }: Props) {
  return (
    <div className={css.list}>
      <h2>{say.allCauses({ count: lesson.causes.length })}</h2>
      <ul>
        {leadFirst(lesson).map((cause) => (
          <li key={cause.id}>
            <button
              type="button"
              aria-current={cause.id === now || undefined}
              data-dismissed={cause.teacher_word === 'dismissed' || undefined}
              onClick={() => onChoose(cause.id)}
            >
              <span>{cause.name}</span>
              <span>{cause.teacher_word === 'dismissed' ? say.notThis() : cause.word}</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
