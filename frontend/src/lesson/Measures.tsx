import { late } from '../components/late';
import type { Evidence } from '../api/client';
import touch from '../components/touch.module.css';
import { loadMeasure } from './loadMeasure';
import css from './Measures.module.css';
import type { Asked } from './useAsked';
import type { LessonHandle } from './useLesson';

const CENTS = 'fourth_cents';
const REACH = 'reach_margin';
const PictureAngle = late(async () => (await import('./PictureAngle')).PictureAngle);
const TrialCompare = late(async () => (await import('./TrialCompare')).TrialCompare);
const CentsAMillimetre = late(async () => (await import('./CentsAMillimetre')).CentsAMillimetre);
const ByEar = late(async () => (await import('./ByEar')).ByEar);
const ReachEntry = late(async () => (await import('./ReachEntry')).ReachEntry);
const MeasureEntry = late(async () => (await loadMeasure()).MeasureEntry);

interface Props {
  item: Evidence;
  asked: Asked;
  handle: LessonHandle;
  /** All trials of the instrument, the most telling first. */
  trials: Evidence[];
  /** The ear opens at once. */
  isEar: boolean;
  onClose: () => void;
}

/** What tells it better than the eye: a number, the ear, a picture, the same bar twice. */
export function Measures({ item, asked, handle, trials, isEar, onClose }: Props) {
  const { lesson, enter } = handle;
  const finding = lesson.findings[item.id];
  const value = finding?.value ?? null;
  const finger = asked.fingers?.[0] ?? null;
  return (
    <section className={css.measures} aria-label={`Measure: ${item.label}`}>
      <button type="button" className={`${touch.word} ${css.close}`} onClick={onClose}>
        Close
      </button>
      {item.stage === 'trial' && (
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
      {item.by_ear && (
        <ByEar
          item={item}
          lessonId={lesson.id}
          isOpened={isEar}
          onDone={onClose}
          onFound={(key, heard) => enter('observation', key, heard)}
          trials={trials.filter((trial) => !trial.per_finger)}
          onTrial={(key, compared) => enter('observation', key, compared)}
        />
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
