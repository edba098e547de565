import type { Lesson } from '../api/client';
import { Key } from '../components/Key';
import { Sure } from '../components/Sure';
import { leadFirst } from './leadFirst';
import css from './Theory.module.css';
import * as say from '../messages/compiled/lesson';
import { beside } from '../words/lists';

interface Props {
  lesson: Lesson;
  weighing: boolean;
  isOpen: boolean;
  onOpen: () => void;
}

/** Something was seen or said, or is remembered, from which a theory could come. */
export function hasTheory(lesson: Lesson): boolean {
  return wasSeen(lesson) || lesson.causes.some((cause) => cause.before !== '');
}

/** Something was seen or said today. */
function wasSeen(lesson: Lesson): boolean {
  return Object.keys(lesson.findings).length > 0 || lesson.complaint !== null;
}

/** What it means so far, in a name and a word; a touch opens what speaks for and against. */
export function Theory({ lesson, weighing, isOpen, onOpen }: Props) {
  const [lead] = leadFirst(lesson).filter((cause) => cause.teacher_word !== 'dismissed');
  const known = hasTheory(lesson);
  const focus = lesson.focus.find((each) => each.cause === lead?.id);
  return (
    <section aria-label={say.whatItMeans()} className={css.theory}>
      <h2 className="sr-only">{say.whatItMeans()}</h2>
      <button
        type="button"
        className={css.so}
        aria-expanded={isOpen}
        aria-keyshortcuts="c"
        disabled={!known}
        onClick={onOpen}
      >
        <span className={css.note}>
          {noteOf(lesson, weighing)} {known && <Key name="c" />}
        </span>
        <span className={css.name} aria-live="polite">
          {focus && <TwoRings />}
          <span>
            {known && lead ? lead.name : say.nothingSeenYet()}
            {known && focus && focus.fingers.length > 0 && ` (${beside(focus.fingers)})`}
          </span>
        </span>
        <span className={css.sure}>
          <Sure word={known && lead ? lead.word : null}>
            {known ? undefined : say.answerOrTouchAPlace()}
          </Sure>
        </span>
      </button>
    </section>
  );
}

function noteOf(lesson: Lesson, weighing: boolean): string {
  if (weighing) return say.weighing();
  if (!wasSeen(lesson)) return hasTheory(lesson) ? say.fromBeforeAlone() : say.soFar();
  return lesson.enough ? say.enoughSeen() : say.soFar();
}

/** The sign of where a cause may start, as it stands on the hand. */
function TwoRings() {
  return (
    <svg className={css.rings} width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
      <circle cx="11" cy="11" r="5.5" />
      <circle cx="11" cy="11" r="9.8" />
    </svg>
  );
}
