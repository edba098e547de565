import { useMemo } from 'react';

import type { Catalogue, Evidence, Schemas } from '../api/client';
import { Answers } from '../components/Answers';
import { GradeString } from '../components/GradeString';
import { Key } from '../components/Key';
import { Lens } from '../components/Lens';
import { Scroll } from '../components/Scroll';
import { Stops } from '../components/Stops';
import touch from '../components/touch.module.css';
import { ringOf } from '../drawings/lens';
import { gradeWord } from '../words/words';
import { FingerChoice } from './FingerChoice';
import { isDone } from './lookList';
import css from './Question.module.css';
import type { Asked } from './useAsked';
import type { LessonHandle } from './useLesson';
import words from './words.module.css';
import * as say from '../messages/compiled/lesson';

const GRADES = [0, 1, 2, 3];
const YOUNG_BELOW = 12;
/** More have no room on a string; they are chosen by name. */
const MOST_STOPS = 10;

interface Props {
  title: string;
  /** Why it comes now, in one line. */
  why: string;
  items: Evidence[];
  asked: Asked;
  handle: LessonHandle;
  /** The hand at each grade, where a picture can show it. */
  hands: Schemas['TwoHandsOut'] | null;
  /** The grade that the ear has heard. */
  heard: number | undefined;
  isMeasuring: boolean;
  onMeasure: () => void;
}

/** One question: why it comes, what to do, and its four answers at a place that never moves. */
export function Question({ title, why, items, asked, handle, hands, ...measure }: Props) {
  const { lesson, enter } = handle;
  const { item } = asked;
  if (!item) {
    return (
      <div className={css.question}>
        <div className={words.words}>
          <h2>{title}</h2>
          <p className={words.how}>{say.nothingIsLeftToLook()}</p>
        </div>
      </div>
    );
  }
  const isTrial = item.stage === 'trial';
  const skipped = lesson.skipped.includes(item.id);
  const accepted = lesson.findings[item.id]?.accepted;
  const isYoung = (lesson.player.age ?? YOUNG_BELOW) < YOUNG_BELOW;
  return (
    <div className={css.question} data-question={asked.isOpen || undefined}>
      <div className={css.glance}>
        {items.length <= MOST_STOPS ? (
          <Stops
            label={title}
            stops={items.map((each) => ({
              id: each.id,
              label: `${each.label}: ${stateWords(lesson, each)}`,
              done: isDone(lesson, each.id),
            }))}
            now={asked.isOpen ? item.id : null}
            onGo={asked.choose}
          />
        ) : (
          <span className={css.count}>
            {say.ofSeen({
              count: items.filter((each) => isDone(lesson, each.id)).length,
              count2: items.length,
            })}
          </span>
        )}
        <button
          type="button"
          className={touch.word}
          aria-keyshortcuts="x"
          onClick={() => enter('skip', item.id, !skipped)}
        >
          {skipped ? say.lookAfterAll() : say.cannotSeeIt()}
          <Key name="x" />
        </button>
      </div>
      <Scroll className={words.words} live>
        <h2 className="sr-only">{title}</h2>
        <p className={words.why}>{why || title}</p>
        <h3>{item.label}</h3>
        <p className={words.how}>{item.look}</p>
        {item.child && isYoung && <p className={css.child}>“{item.child}”</p>}
        {lesson.says[item.id]?.map((sentence) => (
          <p key={sentence} className={css.way}>
            {sentence}
          </p>
        ))}
        {item.note && <p className={css.note}>{item.note}</p>}
        {accepted && <p className={css.note}>{say.acceptedHere({ accepted })}</p>}
      </Scroll>
      <div className={css.slot}>
        {asked.fingers !== null && (
          <FingerChoice
            chosen={asked.fingers}
            isPreset={asked.isPreset}
            grades={lesson.findings[item.id]?.by_finger ?? {}}
            asking={asked.isAsking}
            onChoose={asked.chooseFingers}
          />
        )}
        {canBeMeasured(item) && (
          <button
            type="button"
            className={touch.word}
            aria-expanded={measure.isMeasuring}
            aria-keyshortcuts="m"
            onClick={measure.onMeasure}
          >
            {isTrial ? say.beforeAndAfter() : say.measureAlone()}
            <Key name="m" />
          </button>
        )}
      </div>
      <Grades item={item} asked={asked} handle={handle} hands={hands} heard={measure.heard} />
    </div>
  );
}

/** A number, a picture, the ear, or the same bar twice tells it. */
export function canBeMeasured(item: Evidence): boolean {
  const isWholeTrial = item.stage === 'trial' && !item.per_finger;
  return item.measure !== null || item.photo !== null || isWholeTrial;
}

function stateWords(lesson: LessonHandle['lesson'], item: Catalogue['evidence'][number]): string {
  const finding = lesson.findings[item.id];
  if (finding) return gradeWord(finding.grade, item.stage === 'trial');
  return lesson.skipped.includes(item.id) ? say.cannotBeSeenToday() : say.notChecked();
}

interface GradesProps {
  item: Evidence;
  asked: Asked;
  handle: LessonHandle;
  hands: Schemas['TwoHandsOut'] | null;
  heard: number | undefined;
}

function Grades({ item, asked, handle, hands, heard }: GradesProps) {
  const { lesson } = handle;
  const isTrial = item.stage === 'trial';
  const finger = asked.fingers?.[0];
  const finding = lesson.findings[item.id];
  const given = asked.fingers === null ? finding?.grade : finding?.by_finger[String(finger)];
  const before = lesson.previous?.findings[item.id];
  const last =
    finger === undefined ? before?.grade : (before?.by_finger[String(finger)] ?? before?.grade);
  const pictured = item.pictured.includes(lesson.player.instrument);
  const ring = useMemo(() => ringOf(hands?.frames ?? []), [hands]);
  return (
    <Answers
      label={say.howClearIsIt({ label: item.label })}
      disabled={!asked.isOpen}
      answers={GRADES.map((grade) => ({
        id: String(grade),
        word: gradeWord(grade, isTrial),
        means: isTrial ? undefined : grade === 0 ? item.free : item.means[grade - 1],
        mark: <GradeString grade={grade} />,
        picture: pictured && <Lens frame={hands?.frames[grade]} ring={ring} />,
        aside: heard === grade ? 'heard' : last === grade ? say.lastTimeInside() : undefined,
        shortcut: String(grade),
        chosen: given === grade,
      }))}
      onAnswer={(id) => asked.grade(Number(id))}
    />
  );
}
