import { type ReactNode, useState } from 'react';

import type { Catalogue, Evidence } from '../api/client';
import { Key } from '../components/Key';
import { Problem } from '../components/Problem';
import touch from '../components/touch.module.css';
import { HandDrawing } from '../drawings/HandDrawing';
import { familyOf, type Spot } from '../drawings/places';
import { signsOf } from '../drawings/signs';
import { useSeenHand } from '../drawings/useSeenHand';
import { checksAt, gradeAt, type ListChoice } from './lookList';
import css from './LookStage.module.css';
import { originOf } from './originOf';
import screen from '../components/screen.module.css';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

interface Props {
  handle: LessonHandle;
  catalogue: Catalogue;
  mine: Evidence[];
  /** The place that is asked now. */
  asked: Pick<Spot, 'place' | 'finger'> | null;
  fingers: number[];
  /** Checks of the present look that are still open. */
  due: Set<string>;
  choice: ListChoice;
  onChoice: (choice: ListChoice) => void;
  atEase: boolean;
  onEase: () => void;
  /** What is opened in place of the hand. */
  over: ReactNode;
  children: ReactNode;
}

/** The large hand with what was found on it, and what else can be done below it. */
export function LookStage(props: Props) {
  const { handle, catalogue, mine, asked, fingers, due, choice, onChoice } = props;
  const { atEase, onEase, over, children } = props;
  const { lesson } = handle;
  const { instrument } = lesson.player;
  const [pointed, setPointed] = useState<Spot | null>(null);
  const signs = atEase ? '' : signsOf(lesson.findings);
  const { hand, along } = useSeenHand(instrument, signs);
  const toggle = (kind: 'trials' | 'placeless') =>
    onChoice({ kind: choice.kind === kind ? 'look' : kind });
  return (
    <section className={`${screen.left} ${css.stage}`} aria-label={say.theHand()}>
      <div className={css.over}>
        {over ||
          (hand.data && (
            <HandDrawing
              family={familyOf(instrument)}
              hand={hand.data}
              along={along.data}
              atEase={atEase}
              label={say.leftHandOnTheNeck()}
              isUsed={(spot) => checksAt(mine, spot).length > 0}
              stateOf={(spot) => ({
                grade: gradeAt(lesson, mine, spot),
                due: checksAt(mine, spot).some((e) => due.has(e.id)),
              })}
              asked={asked}
              fingers={fingers}
              onSelect={(spot) => onChoice({ kind: 'spot', spot })}
              onPoint={setPointed}
              origin={originOf(lesson, catalogue, hand.data)}
            />
          ))}
        {hand.isPending && (
          <p className={css.pending} data-pending role="status">
            {hand.failureCount > 0 && say.theDrawingWaitsForThe()}
          </p>
        )}
        {hand.error && <Problem isPart error={hand.error} onRetry={() => void hand.refetch()} />}
      </div>
      {children}
      <div className={css.bar}>
        <p aria-live="polite">{wordsBelow(pointed, choice)}</p>
        <div>
          <button
            type="button"
            className={touch.word}
            aria-pressed={atEase}
            aria-keyshortcuts="v"
            onClick={onEase}
          >
            {say.asItShouldBe()}
            <Key name="v" />
          </button>
          {choice.kind !== 'look' && (
            <button
              type="button"
              className={touch.word}
              aria-keyshortcuts="n"
              onClick={() => onChoice({ kind: 'look' })}
            >
              {say.nextLook()}
              <Key name="n" />
            </button>
          )}
          {choice.kind !== 'trials' && (
            <button
              type="button"
              className={touch.word}
              aria-keyshortcuts="t"
              onClick={() => toggle('trials')}
            >
              {say.tryOneThing()}
              <Key name="t" />
            </button>
          )}
          <button
            type="button"
            className={touch.word}
            aria-keyshortcuts="r"
            onClick={() => toggle('placeless')}
          >
            {say.tempoReports()}
            <Key name="r" />
          </button>
        </div>
      </div>
    </section>
  );
}

function wordsBelow(pointed: Spot | null, choice: ListChoice): string {
  if (pointed) return pointed.name;
  return choice.kind === 'spot' ? choice.spot.name : say.touchAPlace();
}
