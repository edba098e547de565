import { useState } from 'react';

import type { Schemas } from '../api/client';
import { type Answer, Answers } from '../components/Answers';
import { Lens } from '../components/Lens';
import { Scroll } from '../components/Scroll';
import { useKeys } from '../components/useKeys';
import { ringOf } from '../drawings/lens';
import { MOVE_WORDS } from '../words/words';
import { type AskProps, row } from './askParts';
import css from './AskStep.module.css';
import { PainScale } from './PainScale';
import { CompareShape } from './CompareShape';
import { useReviewHands } from './useReviewHands';
import words from './words.module.css';
import * as say from '../messages/compiled/lesson';

/** An exercise of last week, shown: there, not yet, or it hurt. */
export function Review(props: AskProps) {
  const { stop, handle, isHeld, onAnswered, onTell } = props;
  const { lesson, enter } = handle;
  const review = lesson.review.find((each) => String(each.item) === stop.key);
  const hurt = (review?.pain ?? 0) > 0;
  const [asking, setAsking] = useState(false);
  const hands = useReviewHands(review?.exercise, lesson.player.instrument);
  const tell = (answer: string) => {
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
    s: () => tell('shown'),
    n: () => tell('not'),
    o: () => tell('hurt'),
  });
  if (!review) return null;
  const ring = ringOf(hands?.frames ?? []);
  const picture = (at: number) =>
    hands ? <Lens frame={hands.frames.at(at)} ring={ring} /> : undefined;
  const answers: Answer[] = [
    {
      ...row('shown', say.shown(), '', 's', review.passed === true),
      mark: <Told as="shown" />,
      picture: picture(0),
    },
    {
      ...row('not', say.notYet(), '', 'n', review.passed === false && !hurt),
      mark: <Told as="not" />,
      picture: picture(-1),
    },
    {
      ...row(
        'hurt',
        say.itHurt(),
        hurt ? say.of10({ pain: review.pain ?? 0 }) : say.howMuchIsAsked(),
        'o',
        hurt,
      ),
      mark: <Told as="hurt" />,
    },
  ];
  return (
    <>
      <Scroll className={words.words}>
        <p className={words.why}>
          {say.stepOf({ rung: review.rung, rungs: review.rungs, rungWords: review.rung_words })}
        </p>
        <h3>{review.name}</h3>
        <p className={words.how}>{say.passedWhen({ passedWhen: review.passed_when })}</p>
        <p className={css.note}>{adviceOf(review)}</p>
        {review.two_pictures && <CompareShape lesson={lesson} name={review.name} />}
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
      <Answers label={say.shownToday({ name: review.name })} answers={answers} onAnswer={tell} />
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

function adviceOf(review: Schemas['ReviewOut']): string {
  const told = { move: MOVE_WORDS[review.move] ?? '', reason: review.reason };
  const advice =
    review.next_rung === review.rung
      ? say.adviceOf(told)
      : say.adviceOfStep({ ...told, step: review.next_rung });
  return review.days_done > 0
    ? `${advice} (${say.ofDaysAtHome({ days: review.days_done })})`
    : advice;
}
