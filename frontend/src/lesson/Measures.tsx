import { useEffect, useRef } from 'react';

import { late } from '../components/late';
import type { Evidence } from '../api/client';
import { Key } from '../components/Key';
import touch from '../components/touch.module.css';
import type { EarNext } from '../sound/useEarNext';
import { loadMeasure } from './loadMeasure';
import css from './Measures.module.css';
import type { Asked } from './useAsked';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

const CENTS = 'fourth_cents';
const REACH = 'reach_margin';
const PictureAngle = late(async () => (await import('./PictureAngle')).PictureAngle);
const TrialCompare = late(async () => (await import('./TrialCompare')).TrialCompare);
const CentsAMillimetre = late(async () => (await import('./CentsAMillimetre')).CentsAMillimetre);
const PairEntry = late(async () => (await import('./PairEntry')).PairEntry);
const ByEar = late(async () => (await import('../sound/Listening')).Listening);
const ReachEntry = late(async () => (await import('./ReachEntry')).ReachEntry);
const MeasureEntry = late(async () => (await loadMeasure()).MeasureEntry);

interface Props {
  item: Evidence;
  asked: Asked;
  handle: LessonHandle;
  /** All trials of the instrument, the most telling first. */
  trials: Evidence[];
  /** What the ear would do next. */
  onNext: (next: EarNext | null) => void;
  /** On to what is asked next. */
  onDone: () => void;
  onClose: () => void;
}

/** What tells it better than the eye: a number, the ear, a picture, the same bar twice. */
export function Measures({ item, asked, handle, trials, onNext, onDone, onClose }: Props) {
  const { lesson, enter } = handle;
  const finding = lesson.findings[item.id];
  const value = finding?.value ?? null;
  const finger = asked.fingers?.[0] ?? null;
  const section = useRef<HTMLElement>(null);
  const isEar = item.by_ear;
  useEffect(() => {
    // By keys the way leads through the ear next; Enter is its action.
    if (isEar) section.current?.focus({ preventScroll: true });
  }, [isEar]);
  return (
    <section
      ref={section}
      tabIndex={isEar ? -1 : undefined}
      className={item.by_ear ? css.ear : css.measures}
      aria-label={say.measure({ label: item.label })}
    >
      <button type="button" className={`${touch.word} ${css.close}`} onClick={onClose}>
        {item.by_ear ? say.backToTheHand() : say.close()}
        {item.by_ear && <Key name="Esc" />}
      </button>
      {item.by_ear && (
        <ByEar
          lessonId={lesson.id}
          playerId={lesson.player.id}
          evidence={item.id}
          onDone={onDone}
          onFound={(key, heard) => enter('observation', key, heard)}
          trials={trials.filter((trial) => !trial.per_finger)}
          onTrial={(key, compared) => enter('observation', key, compared)}
          onNext={onNext}
        />
      )}
      {item.pair !== null && (
        <PairEntry
          playerId={lesson.player.id}
          pair={item.pair}
          compared={finding?.compared ?? null}
          onPair={(measured) => enter('observation', item.id, measured)}
        />
      )}
      {item.stage === 'trial' && item.pair === null && (
        <TrialCompare
          label={item.label}
          compared={finding?.compared ?? null}
          onCompared={(compared) => enter('observation', item.id, compared)}
        />
      )}
      {item.measure === REACH && (
        <ReachEntry player={lesson.player} value={value} onPercent={asked.measure} />
      )}
      {item.measure !== null && item.measure !== REACH && (
        <MeasureEntry item={item} value={value} onValue={asked.measure} />
      )}
      {item.measure === CENTS && <CentsAMillimetre playerId={lesson.player.id} />}
      {item.photo !== null && (
        <PictureAngle
          key={finger}
          item={item}
          playerId={lesson.player.id}
          instrument={lesson.player.instrument}
          finger={finger}
          onValue={asked.measure}
        />
      )}
    </section>
  );
}
