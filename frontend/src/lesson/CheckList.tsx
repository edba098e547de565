import { Button } from '@mantine/core';
import { useIsFetching, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { late } from '../components/late';
import type { Evidence, Schemas } from '../api/client';
import { checkPairQuery } from '../api/queries';
import { GradeMarks } from '../components/GradeMarks';
import { useKeys } from '../components/useKeys';
import { Hand } from '../drawings/Hand';
import { gradeWord } from '../words/words';
import css from './CheckList.module.css';
import { FingerChoice } from './FingerChoice';
import { afterFingers, FINGERS } from '../words/fingers';
import { firstFingers } from './lookList';
import { loadMeasure } from './loadMeasure';
import type { Compared } from './TrialCompare';
import { useBounceGuard } from '../components/useBounceGuard';
import type { LessonHandle } from './useLesson';

const CENTS = 'fourth_cents';
const REACH = 'reach_margin';
const PictureAngle = late(async () => (await import('./PictureAngle')).PictureAngle);
const TrialCompare = late(async () => (await import('./TrialCompare')).TrialCompare);
const CentsAMillimetre = late(async () => (await import('./CentsAMillimetre')).CentsAMillimetre);
const ByEar = late(async () => (await import('./ByEar')).ByEar);
const ReachEntry = late(async () => (await import('./ReachEntry')).ReachEntry);
const MeasureEntry = late(async () => (await loadMeasure()).MeasureEntry);

const GRADES = [0, 1, 2, 3];
const YOUNG_BELOW = 12;

interface Props {
  title: string;
  /** Why these come now, in one line. */
  why?: string | undefined;
  items: Evidence[];
  handle: LessonHandle;
  /** Finger of the touched spot, if it has one. */
  touched: number | null | undefined;
  /** All trials of the instrument, the most telling first. */
  trials: Evidence[];
}

/** Checks to grade. One is active and explained; keys 0 to 3 grade it and go on to the next. */
export function CheckList({ title, why, items, handle, touched, trials }: Props) {
  const { lesson, enter } = handle;
  const open = items.findIndex((e) => !(e.id in lesson.findings) && !lesson.skipped.includes(e.id));
  const [chosen, setChosen] = useState<number | null>(null);
  // Once all is graded no row is active, so that a key pressed too often changes nothing.
  const active = chosen ?? open;
  const item = items[active];
  const [fingers, setFingers] = useState<Record<string, number[]>>({});
  const [asking, setAsking] = useState(false);
  const guard = useBounceGuard();
  const fingersOf = (e: Evidence) => fingers[e.id] ?? firstFingers(lesson, e, touched);

  function choose(e: Evidence, chosenFingers: number[]) {
    setAsking(false);
    setFingers({ ...fingers, [e.id]: chosenFingers });
  }
  /** The keys an entry goes to; none where the finger has to be told first. */
  function keysOf(e: Evidence, value: unknown): string[] {
    if (!e.per_finger) return [e.id];
    const meant = fingersOf(e);
    const all = meant.length === 0 && value === 0 ? FINGERS : meant;
    if (all.length === 0) setAsking(true);
    return all.map((finger) => `${e.id}/${finger}`);
  }
  function grade(e: Evidence, value: number) {
    if (!guard.mayGrade()) return;
    const keys = keysOf(e, value);
    if (keys.length === 0) return;
    for (const key of keys) enter('observation', key, value);
    const next = items.findIndex(
      (other, index) =>
        index !== items.indexOf(e) &&
        !(other.id in lesson.findings) &&
        !lesson.skipped.includes(other.id),
    );
    setChosen(next === -1 ? null : next);
    guard.moved();
  }
  function moveFinger(by: number) {
    if (!item?.per_finger) return;
    choose(item, afterFingers(fingersOf(item), by));
  }
  const step = (by: number) => {
    const from = active === -1 ? (by > 0 ? -1 : items.length) : active;
    setChosen(Math.min(items.length - 1, Math.max(0, from + by)));
  };

  useKeys({
    ...Object.fromEntries(GRADES.map((g) => [String(g), item && (() => grade(item, g))])),
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    ArrowRight: () => moveFinger(1),
    ArrowLeft: () => moveFinger(-1),
    x: item && (() => enter('skip', item.id, true)),
  });

  if (items.length === 0) return <h2>Nothing is left to check here.</h2>;
  return (
    <>
      <h2>{title}</h2>
      {why && <p className="quiet">{why.charAt(0).toUpperCase() + why.slice(1)}</p>}
      <ul className={css.rows}>
        {items.map((e, index) => (
          <CheckRow
            key={e.id}
            item={e}
            active={index === active}
            handle={handle}
            trials={trials}
            fingers={e.per_finger ? fingersOf(e) : null}
            isPreset={!(e.id in fingers)}
            asking={asking && index === active}
            isNew={guard.isNew && index === active}
            onActivate={() => setChosen(index)}
            onFingers={(meant) => {
              setChosen(index);
              choose(e, meant);
            }}
            onGrade={(value) => grade(e, value)}
            onMeasured={(value) => {
              for (const key of keysOf(e, null)) enter('observation', key, { value });
            }}
            onCompared={(compared) => enter('observation', e.id, compared)}
          />
        ))}
      </ul>
    </>
  );
}

interface RowProps {
  item: Evidence;
  active: boolean;
  handle: LessonHandle;
  trials: Evidence[];
  /** Those that a grade goes to; null for a check that knows no fingers. */
  fingers: number[] | null;
  isPreset: boolean;
  /** A grade was given before a finger was told. */
  asking: boolean;
  /** It has just come up and takes no grade yet. */
  isNew: boolean;
  onActivate: () => void;
  onFingers: (fingers: number[]) => void;
  onGrade: (grade: number) => void;
  onMeasured: (value: number) => void;
  onCompared: (compared: Compared) => void;
}

function CheckRow({
  item,
  active,
  handle,
  trials,
  fingers,
  isPreset,
  asking,
  isNew,
  onActivate,
  onFingers,
  onGrade,
  onMeasured,
  onCompared,
}: RowProps) {
  const { lesson, enter } = handle;
  const finding = lesson.findings[item.id];
  const finger = fingers === null ? null : (fingers[0] ?? null);
  const before = lesson.previous?.findings[item.id];
  const trial = item.stage === 'trial';
  const isYoung = (lesson.player.age ?? YOUNG_BELOW) < YOUNG_BELOW;
  const shown = fingers === null ? finding?.grade : finding?.by_finger[String(finger)];
  const last =
    finger === null ? before?.grade : (before?.by_finger[String(finger)] ?? before?.grade);
  const skipped = lesson.skipped.includes(item.id);
  const { instrument } = lesson.player;
  const pictured = item.pictured.includes(instrument);
  const hands = useGradedHands(item, instrument, finger, active && pictured);
  return (
    <li className={css.row} data-active={active || undefined} data-new={isNew || undefined}>
      <button type="button" className={css.label} aria-expanded={active} onClick={onActivate}>
        <span>{item.label}</span>
        <span className={css.marks}>
          {last !== undefined && (
            <span className={css.last}>
              last <GradeMarks grade={last} size={20} />
              <span className="sr-only">{gradeWord(last, trial)}</span>
            </span>
          )}
          {!active && <GradeMarks grade={finding?.grade ?? null} />}
          <span className="sr-only">
            {finding
              ? gradeWord(finding.grade, trial)
              : skipped
                ? 'cannot be seen today'
                : 'not checked'}
          </span>
        </span>
      </button>
      {active && (
        <div className={css.body}>
          <div className={css.how}>
            <div>
              <p>{item.look}</p>
              {item.child && isYoung && <p className={css.child}>“{item.child}”</p>}
              {item.note && <p className="quiet">{item.note}</p>}
              {lesson.says[item.id]?.map((sentence) => (
                <p key={sentence} className={css.way}>
                  {sentence}
                </p>
              ))}
            </div>
          </div>
          {fingers !== null && (
            <FingerChoice
              chosen={fingers}
              isPreset={isPreset}
              grades={finding?.by_finger ?? {}}
              asking={asking}
              onChoose={onFingers}
            />
          )}
          <div className={css.grades} role="group" aria-label={`${item.label}: how clear is it?`}>
            {GRADES.map((g) => (
              <button
                key={g}
                type="button"
                aria-pressed={shown === g}
                aria-keyshortcuts={String(g)}
                onClick={() => onGrade(g)}
              >
                {pictured && (
                  <span className={css.picture}>
                    {hands?.frames[g] && <Hand frame={hands.frames[g]} words="" />}
                  </span>
                )}
                <GradeMarks grade={g} size={28} />
                <span>{gradeWord(g, trial)}</span>
                {g > 0 && !trial && <small>{item.means[g - 1]}</small>}
              </button>
            ))}
          </div>
          {trial && fingers === null && (
            <TrialCompare
              label={item.label}
              compared={finding?.compared ?? null}
              onCompared={onCompared}
            />
          )}
          <Measured
            item={item}
            handle={handle}
            trials={trials}
            finger={finger}
            onMeasured={onMeasured}
          />
          {finding?.accepted && <p className="quiet">Accepted here, {finding.accepted}.</p>}
          <Button
            variant="subtle"
            size="compact-md"
            mih={44}
            aria-keyshortcuts="x"
            onClick={() => enter('skip', item.id, !skipped)}
          >
            {skipped ? 'Look after all' : 'Cannot see it today'}
          </Button>
        </div>
      )}
    </li>
  );
}

/** The hand at each grade; drawn after the large hand that was graded just before. */
function useGradedHands(
  item: Evidence,
  instrument: string,
  finger: number | null,
  isWanted: boolean,
): Schemas['TwoHandsOut'] | null {
  const isDrawing = useIsFetching({ queryKey: ['hand'] }) > 0;
  const hands = useQuery({
    ...checkPairQuery(item.id, instrument, finger ?? item.of_finger, GRADES.length),
    enabled: isWanted && !isDrawing,
  });
  return isWanted ? (hands.data ?? null) : null;
}

interface MeasuredProps {
  item: Evidence;
  handle: LessonHandle;
  trials: Evidence[];
  finger: number | null;
  onMeasured: (value: number) => void;
}

function Measured({ item, handle, trials, finger, onMeasured }: MeasuredProps) {
  const { lesson, enter } = handle;
  if (item.measure === null && item.photo === null) return null;
  const value = lesson.findings[item.id]?.value ?? null;
  if (item.measure === REACH)
    return <ReachEntry player={lesson.player} value={value} onPercent={onMeasured} />;
  return (
    <div className={css.measures}>
      {item.measure !== null && <MeasureEntry item={item} value={value} onValue={onMeasured} />}
      {item.by_ear && (
        <ByEar
          item={item}
          lessonId={lesson.id}
          onFound={(key, value) => enter('observation', key, value)}
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
          onValue={onMeasured}
        />
      )}
    </div>
  );
}
