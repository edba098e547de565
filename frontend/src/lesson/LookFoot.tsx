import type { Lesson } from '../api/client';
import { NextAction } from '../components/NextAction';
import screen from '../components/screen.module.css';
import type { EarNext } from '../sound/useEarNext';
import { hasTheory, Theory } from './Theory';
import * as say from '../messages/compiled/lesson';

interface Props {
  lesson: Lesson;
  weighing: boolean;
  isWhy: boolean;
  onWhy: () => void;
  /** The ear is open, and what it would do next. */
  ear: EarNext | null;
  onDecide: () => void;
}

/** What it means so far, and on to deciding; while the ear is open, its own next step. */
export function LookFoot({ lesson, weighing, isWhy, onWhy, ear, onDecide }: Props) {
  return (
    <div className={screen.foot}>
      <Theory lesson={lesson} weighing={weighing} isOpen={isWhy} onOpen={onWhy} />
      {ear ? (
        <NextAction isNext={ear.act !== null} disabled={!ear.act} onClick={() => ear.act?.()}>
          {ear.words}
        </NextAction>
      ) : (
        <NextAction
          isNext={lesson.enough && !weighing}
          disabled={!hasTheory(lesson)}
          onClick={onDecide}
        >
          {say.decide()}
        </NextAction>
      )}
    </div>
  );
}
