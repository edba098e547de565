import { Answers } from '../components/Answers';
import { Key } from '../components/Key';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { type AskProps, row } from './askParts';
import css from './AskStep.module.css';
import { Reports } from './Reports';
import words from './words.module.css';
import * as say from '../messages/compiled/lesson';

/** Whether anything hurts, is numb or tired; what it is, where it is told. */
export function Body({ handle, onAllWell, isTelling, onTell }: AskProps) {
  const { lesson } = handle;
  const isStopped = lesson.safety.level === 'red';
  const well = isStopped ? say.nothingNewToday() : say.allIsWell();
  useKeys({ y: onTell });
  return (
    <>
      <div className={words.words}>
        <h3>{say.anyPainNumbnessOrTiredness()}</h3>
        {isStopped && <p className={css.note}>{say.aStopIsUpA()}</p>}
      </div>
      {isTelling ? (
        <Scroll className={css.form}>
          <Reports handle={handle} />
        </Scroll>
      ) : (
        <Answers
          label={say.painNumbnessOrTiredness()}
          answers={[
            row('well', well, '', 'w', lesson.asked),
            row('tell', say.yesSomething(), say.whereHowMuchWhen(), 'y', false),
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
      {handle.lesson.safety.level === 'red' ? say.nothingNewToday() : say.allIsWell()}
      <Key name="w" />
    </button>
  );
}
