import { Answers } from '../components/Answers';
import { Scroll } from '../components/Scroll';
import { useKeys } from '../components/useKeys';
import { AGAIN } from '../words/again';
import { shortDate } from '../words/words';
import { Body } from './AskBody';
import { type AskProps, row, Words } from './askParts';
import { Review } from './AskReview';
import css from './AskStep.module.css';
import { Complaint } from './Complaint';
import { JudgeFit } from './JudgeFit';
import { PaperWeek } from './PaperWeek';
import { Strand } from './Strand';
import * as say from '../messages/compiled/lesson';

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
          <Words title={say.whatDoesThePlayerComplain()} how="" />
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

function Again({ stop, handle, isHeld, onAnswered }: AskProps) {
  const { lesson, enter } = handle;
  const asked = lesson.again.find((each) => each.key === stop.key);
  const tell = (answer: string) => {
    const given = AGAIN.find(([each]) => each === answer)?.[0];
    if (!asked || !given || isHeld) return;
    enter('again', asked.key, asked.answer === given ? null : given);
    if (asked.answer !== given) onAnswered();
  };
  useKeys(Object.fromEntries(AGAIN.map(([answer], at) => [String(at), () => tell(answer)])));
  if (!asked) return null;
  const title = say.andNow({ says: asked.says });
  return (
    <>
      <Words
        why={say.saidOn({ on: shortDate(asked.on) })}
        title={title}
        how={say.thePlayersOwnWordBefore()}
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
        onAnswer={tell}
      />
    </>
  );
}

function Break({ handle, isHeld, onAnswered }: AskProps) {
  const { lesson, enter } = handle;
  const weeks = lesson.weeks_away ?? 0;
  const said = lesson.break_weeks;
  const tell = (answer: string) => {
    if (isHeld) return;
    enter('break', '', answer === 'played' ? 0 : weeks);
    onAnswered();
  };
  useKeys({ y: () => tell('played'), n: () => tell('break') });
  return (
    <>
      <Words title={say.weeksWithoutLessonOrPractice({ weeks })} how={say.itTellsWhereTheWeek()} />
      <Answers
        label={say.playedInBetween()}
        answers={[
          row('played', 'yes', '', 'y', said === 0),
          row('break', say.noABreak(), '', 'n', said !== null && said > 0),
        ]}
        onAnswer={tell}
      />
    </>
  );
}
