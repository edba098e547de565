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
import { useReviewHands } from './useReviewHands';
import words from './words.module.css';

/** An exercise of last week, shown: there, not yet, or it hurt. */
export function Review(props: AskProps) {
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

function adviceOf(review: Schemas['ReviewOut']): string {
  const to = review.next_rung === review.rung ? '' : ` to step ${review.next_rung}`;
  const days = review.days_done === 1 ? '1 day' : `${review.days_done} days`;
  const home = review.days_done > 0 ? ` (${days} at home)` : '';
  return `${MOVE_WORDS[review.move]}${to}: ${review.reason}${home}`;
}
