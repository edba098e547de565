import { Answers } from '../components/Answers';
import { Key } from '../components/Key';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { type AskProps, row } from './askParts';
import css from './AskStep.module.css';
import { Reports } from './Reports';
import words from './words.module.css';

/** Whether anything hurts, is numb or tired; what it is, where it is told. */
export function Body({ handle, onAllWell, isTelling, onTell }: AskProps) {
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
