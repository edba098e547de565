import { useState } from 'react';

import type { Catalogue, Schemas } from '../api/client';
import { type Answer, Answers } from '../components/Answers';
import { Lens } from '../components/Lens';
import { Key } from '../components/Key';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { ringOf } from '../drawings/lens';
import { AGAIN } from '../words/again';
import { MOVE_WORDS, shortDate } from '../words/words';
import type { AskStop } from './askStops';
import css from './AskStep.module.css';
import { Complaint } from './Complaint';
import { JudgeFit } from './JudgeFit';
import { PainScale } from './PainScale';
import { PaperWeek } from './PaperWeek';
import { Reports } from './Reports';
import { Strand } from './Strand';
import type { LessonHandle } from './useLesson';
import { useReviewHands } from './useReviewHands';
import words from './words.module.css';

export interface AskProps {
  stop: AskStop;
  handle: LessonHandle;
  catalogue: Catalogue;
  /** It was just answered: a second touch counts for nothing. */
  isHeld: boolean;
  /** On to what is open next. */
  onAnswered: () => void;
  /** Nothing hurts: the questions about the body are answered, and the lesson goes on. */
  onAllWell: (() => void) | undefined;
  /** The form about the body is open. */
  isTelling: boolean;
  onTell: () => void;
}

/** The question that is asked now, with its answers. */
export function AskQuestion(props: AskProps) {
  const { stop, handle, catalogue, onAnswered } = props;
  const { lesson, enter } = handle;
  switch (stop.kind) {
    case 'again':
      return <Again {...props} />;
    case 'review':
      return <Review {...props} />;
    case 'break':
      return <Break {...props} />;
    case 'body':
      return <Body {...props} />;
    case 'complaint':
      return (
        <>
          <Words title="What does the player complain of?" how="" />
          <Scroll className={css.form}>
            <Complaint handle={handle} catalogue={catalogue} onAnswered={onAnswered} />
          </Scroll>
        </>
      );
    case 'days':
      return (
        <Scroll className={css.form}>
          {lesson.paper_week && <PaperWeek week={lesson.paper_week} enter={enter} />}
        </Scroll>
      );
    case 'fit':
      return (
        <Scroll className={css.form}>
          <JudgeFit handle={handle} />
        </Scroll>
      );
  }
}

interface WordsProps {
  why?: string;
  title: string;
  how: string;
}

function Words({ why, title, how }: WordsProps) {
  return (
    <div className={words.words}>
      {why && <p className={words.why}>{why}</p>}
      <h3>{title}</h3>
      {how && <p className={words.how}>{how}</p>}
    </div>
  );
}

function Again({ stop, handle, isHeld, onAnswered }: AskProps) {
  const { lesson, enter } = handle;
  const asked = lesson.again.find((each) => each.key === stop.key);
  const say = (answer: string) => {
    const given = AGAIN.find(([each]) => each === answer)?.[0];
    if (!asked || !given || isHeld) return;
    enter('again', asked.key, asked.answer === given ? null : given);
    if (asked.answer !== given) onAnswered();
  };
  useKeys(Object.fromEntries(AGAIN.map(([answer], at) => [String(at), () => say(answer)])));
  if (!asked) return null;
  const title = `${asked.says}. And now?`;
  return (
    <>
      <Words
        why={`Said on ${shortDate(asked.on)}`}
        title={title}
        how="The player’s own word, before any playing."
      />
      <Answers
        label={title}
        answers={AGAIN.map(([answer, word], at) => ({
          id: answer,
          word,
          mark: <Strand answer={answer} />,
          shortcut: String(at),
          chosen: asked.answer === answer,
        }))}
        onAnswer={say}
      />
    </>
  );
}

function Break({ handle, isHeld, onAnswered }: AskProps) {
  const { lesson, enter } = handle;
  const weeks = lesson.weeks_away ?? 0;
  const said = lesson.break_weeks;
  const say = (answer: string) => {
    if (isHeld) return;
    enter('break', '', answer === 'played' ? 0 : weeks);
    onAnswered();
  };
  useKeys({ y: () => say('played'), n: () => say('break') });
  return (
    <>
      <Words
        title={`${weeks} weeks without lesson or practice here. Played in between?`}
        how="It tells where the week begins."
      />
      <Answers
        label="Played in between"
        answers={[
          row('played', 'yes', '', 'y', said === 0),
          row('break', 'no, a break', '', 'n', said !== null && said > 0),
        ]}
        onAnswer={say}
      />
    </>
  );
}

function Review(props: AskProps) {
  const { stop, handle, isHeld, onAnswered, onTell } = props;
  const { lesson, enter } = handle;
  const review = lesson.review.find((each) => String(each.item) === stop.key);
  const hurt = (review?.pain ?? 0) > 0;
  const [asking, setAsking] = useState(false);
  const hands = useReviewHands(review?.exercise, lesson.player.instrument);
  const say = (answer: string) => {
    if (!review || isHeld) return;
    if (answer === 'hurt') {
      setAsking(!asking);
      return;
    }
    const passed = answer === 'shown';
    const isTakenBack = review.passed === passed && !hurt;
    setAsking(false);
    enter('result', String(review.item), isTakenBack ? null : { passed });
    if (!isTakenBack) onAnswered();
  };
  useKeys({
    s: () => say('shown'),
    n: () => say('not'),
    o: () => say('hurt'),
  });
  if (!review) return null;
  const ring = ringOf(hands?.frames ?? []);
  const picture = (at: number) =>
    hands ? <Lens frame={hands.frames.at(at)} ring={ring} /> : undefined;
  const answers: Answer[] = [
    {
      ...row('shown', 'Shown', '', 's', review.passed === true),
      mark: <Told as="shown" />,
      picture: picture(0),
    },
    {
      ...row('not', 'Not yet', '', 'n', review.passed === false && !hurt),
      mark: <Told as="not" />,
      picture: picture(-1),
    },
    {
      ...row('hurt', 'It hurt', hurt ? `${review.pain} of 10` : 'how much is asked', 'o', hurt),
      mark: <Told as="hurt" />,
    },
  ];
  return (
    <>
      <Scroll className={words.words}>
        <p className={words.why}>
          Step {review.rung} of {review.rungs}: {review.rung_words}
        </p>
        <h3>{review.name}</h3>
        <p className={words.how}>Passed when: {review.passed_when}.</p>
        <p className={css.note}>{adviceOf(review)}</p>
        {asking && (
          <PainScale
            pain={review.pain}
            onPick={(pain) => {
              setAsking(false);
              enter('result', String(review.item), { passed: false, pain });
              if (pain !== null && pain > 0) onTell();
            }}
          />
        )}
      </Scroll>
      <Answers label={`${review.name}, shown today`} answers={answers} onAnswer={say} />
    </>
  );
}

/** A bead that has come to the end of its string, one on its way, and strokes where it hurts. */
function Told({ as }: { as: 'shown' | 'not' | 'hurt' }) {
  return (
    <svg className={css.told} width="76" height="26" viewBox="0 0 76 26" aria-hidden="true">
      {as === 'hurt' ? (
        <path d="M24 5l6 8-6 8M36 5l6 8-6 8M48 5l6 8-6 8" />
      ) : (
        <>
          <path d="M2 13H74M74 4V22" />
          <circle cx={as === 'shown' ? 64 : 24} cy="13" r="6.5" />
        </>
      )}
    </svg>
  );
}

function row(id: string, word: string, means: string, shortcut: string, chosen: boolean): Answer {
  return { id, word, means: means || undefined, mark: null, shortcut, chosen };
}

function adviceOf(review: Schemas['ReviewOut']): string {
  const to = review.next_rung === review.rung ? '' : ` to step ${review.next_rung}`;
  const days = review.days_done === 1 ? '1 day' : `${review.days_done} days`;
  const home = review.days_done > 0 ? ` (${days} at home)` : '';
  return `${MOVE_WORDS[review.move]}${to}: ${review.reason}${home}`;
}

function Body({ handle, onAllWell, isTelling, onTell }: AskProps) {
  const { lesson } = handle;
  const isStopped = lesson.safety.level === 'red';
  const well = isStopped ? 'Nothing new today' : 'All is well';
  useKeys({ y: onTell });
  return (
    <>
      <div className={words.words}>
        <h3>Any pain, numbness or tiredness?</h3>
        {isStopped && (
          <p className={css.note}>
            A stop is up. A tick by mistake is taken back with Undo; otherwise only your note lifts
            it.
          </p>
        )}
      </div>
      {isTelling ? (
        <Scroll className={css.form}>
          <Reports handle={handle} />
        </Scroll>
      ) : (
        <Answers
          label="Pain, numbness or tiredness"
          answers={[
            row('well', well, '', 'w', lesson.asked),
            row('tell', 'Yes, something', 'where, how much, when', 'y', false),
          ]}
          onAnswer={(answer) => (answer === 'well' ? onAllWell?.() : onTell())}
        />
      )}
    </>
  );
}

/** From anywhere: nothing hurts, and on to the look. */
export function AllWell({ handle, onAllWell }: Pick<AskProps, 'handle' | 'onAllWell'>) {
  return (
    <button
      type="button"
      className={touch.word}
      disabled={!onAllWell}
      aria-keyshortcuts="w"
      onClick={onAllWell}
    >
      {handle.lesson.safety.level === 'red' ? 'Nothing new today' : 'All is well'}
      <Key name="w" />
    </button>
  );
}
