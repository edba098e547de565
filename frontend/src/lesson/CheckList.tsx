import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';

import type { Evidence } from '../api/client';
import { checkPairQuery } from '../api/queries';
import { GradeMarks } from '../components/GradeMarks';
import { useKeys } from '../components/useKeys';
import { Hand } from '../drawings/Hand';
import { gradeWord } from '../words/words';
import css from './CheckList.module.css';
import { firstFinger } from './lookList';
import { loadMeasure } from './loadMeasure';
import { isFromPicture } from './picture/pointPlan';
import { type Compared, TrialCompare } from './TrialCompare';
import type { LessonHandle } from './useLesson';

const REACH = 'reach_margin';
const PictureAngle = lazy(async () => ({
  default: (await import('./picture/PictureAngle')).PictureAngle,
}));
const ReachEntry = lazy(async () => ({ default: (await import('./ReachEntry')).ReachEntry }));
const MeasureEntry = lazy(async () => ({ default: (await loadMeasure()).MeasureEntry }));

const GRADES = [0, 1, 2, 3];
const FINGERS = [1, 2, 3, 4];
const YOUNG_BELOW = 12;

interface Props {
  title: string;
  items: Evidence[];
  handle: LessonHandle;
  /** Finger of the touched spot, if it has one. */
  touched: number | null | undefined;
}

/** Checks to grade. One is active and explained; keys 0 to 3 grade it and go on to the next. */
export function CheckList({ title, items, handle, touched }: Props) {
  const { lesson, enter } = handle;
  const open = items.findIndex((e) => !(e.id in lesson.findings) && !lesson.skipped.includes(e.id));
  const [chosen, setChosen] = useState<number | null>(null);
  // Once all is graded no row is active, so that a key pressed too often changes nothing.
  const active = chosen ?? open;
  const item = items[active];
  const [fingers, setFingers] = useState<Record<string, number>>({});
  const fingerOf = (e: Evidence) => fingers[e.id] ?? firstFinger(lesson, e, touched);

  function grade(e: Evidence, value: number) {
    enter('observation', e.per_finger ? `${e.id}/${fingerOf(e)}` : e.id, value);
    const next = items.findIndex(
      (other, index) =>
        index !== items.indexOf(e) &&
        !(other.id in lesson.findings) &&
        !lesson.skipped.includes(other.id),
    );
    setChosen(next === -1 ? null : next);
  }
  function moveFinger(by: number) {
    if (!item?.per_finger) return;
    const finger = Math.min(4, Math.max(1, fingerOf(item) + by));
    setFingers({ ...fingers, [item.id]: finger });
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
      <ul className={css.rows}>
        {items.map((e, index) => (
          <CheckRow
            key={e.id}
            item={e}
            active={index === active}
            handle={handle}
            finger={e.per_finger ? fingerOf(e) : null}
            onActivate={() => setChosen(index)}
            onFinger={(finger) => {
              setChosen(index);
              setFingers({ ...fingers, [e.id]: finger });
            }}
            onGrade={(value) => grade(e, value)}
            onMeasured={(value) =>
              enter('observation', e.per_finger ? `${e.id}/${fingerOf(e)}` : e.id, { value })
            }
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
  finger: number | null;
  onActivate: () => void;
  onFinger: (finger: number) => void;
  onGrade: (grade: number) => void;
  onMeasured: (value: number) => void;
  onCompared: (compared: Compared) => void;
}

function CheckRow({
  item,
  active,
  handle,
  finger,
  onActivate,
  onFinger,
  onGrade,
  onMeasured,
  onCompared,
}: RowProps) {
  const { lesson, enter } = handle;
  const finding = lesson.findings[item.id];
  const before = lesson.previous?.findings[item.id];
  const trial = item.stage === 'trial';
  const isYoung = (lesson.player.age ?? YOUNG_BELOW) < YOUNG_BELOW;
  const shown = finger === null ? finding?.grade : finding?.by_finger[String(finger)];
  const last =
    finger === null ? before?.grade : (before?.by_finger[String(finger)] ?? before?.grade);
  const skipped = lesson.skipped.includes(item.id);
  const { instrument } = lesson.player;
  const pictured = item.pictured.includes(instrument);
  const hands = useQuery({
    ...checkPairQuery(item.id, instrument, finger ?? item.of_finger, GRADES.length),
    enabled: active && pictured,
  }).data;
  return (
    <li className={css.row} data-active={active || undefined}>
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
          {finger !== null && (
            <div className={css.fingers} role="group" aria-label="Which finger">
              {FINGERS.map((f) => (
                <button
                  key={f}
                  type="button"
                  aria-pressed={f === finger}
                  aria-label={`Finger ${f}`}
                  onClick={() => onFinger(f)}
                >
                  {f}
                  <GradeMarks grade={finding?.by_finger[String(f)] ?? null} size={20} />
                </button>
              ))}
            </div>
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
          {trial && finger === null && (
            <TrialCompare
              label={item.label}
              compared={finding?.compared ?? null}
              onCompared={onCompared}
            />
          )}
          <Measured item={item} lesson={lesson} finger={finger} onMeasured={onMeasured} />
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

interface MeasuredProps {
  item: Evidence;
  lesson: LessonHandle['lesson'];
  finger: number | null;
  onMeasured: (value: number) => void;
}

function Measured({ item, lesson, finger, onMeasured }: MeasuredProps) {
  if (item.measure === null) return null;
  const value = lesson.findings[item.id]?.value ?? null;
  return (
    <Suspense fallback={null}>
      {item.measure === REACH ? (
        <ReachEntry playerId={lesson.player.id} value={value} onPercent={onMeasured} />
      ) : (
        <div className={css.measures}>
          <MeasureEntry item={item} value={value} onValue={onMeasured} />
          {isFromPicture(item.measure) && (
            <PictureAngle
              key={finger}
              item={item}
              instrument={lesson.player.instrument}
              finger={finger}
              onValue={onMeasured}
            />
          )}
        </div>
      )}
    </Suspense>
  );
}
