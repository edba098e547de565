import { Link } from 'wouter';

import { Key } from '../components/Key';
import { Mark } from '../components/Mark';
import touch from '../components/touch.module.css';
import { Undelivered } from '../components/Undelivered';
import { savedWords } from '../outbox/outbox';
import { INSTRUMENT_WORDS } from '../words/words';
import css from './LessonHead.module.css';
import { type Step, STEP_KEYS, STEP_WORDS, STEPS } from './steps';
import type { LessonHandle } from './useLesson';

interface Props {
  handle: LessonHandle;
  step: Step;
  onGo: (step: Step) => void;
  onHelp: () => void;
}

/** Who it is, the four steps as stops on one string, and what was done last. */
export function LessonHead({ handle, step, onGo, onHelp }: Props) {
  const { player } = handle.lesson;
  const at = STEPS.indexOf(step);
  return (
    <header className={css.head}>
      <div className={css.who}>
        <Link href="/" className={css.home} aria-label="Jolf, today">
          <Mark size={30} />
        </Link>
        <Link href={`/players/${player.id}`} className={css.name}>
          <h1>{player.name}</h1>
        </Link>
        <span className={css.about}>
          {INSTRUMENT_WORDS[player.instrument]}
          {player.piece && `, ${player.piece}`}
        </span>
      </div>
      <nav className={css.steps} aria-label="Steps of the lesson">
        {STEPS.map((name, index) => (
          <button
            key={name}
            type="button"
            aria-current={name === step ? 'step' : undefined}
            aria-keyshortcuts={STEP_KEYS[name]}
            data-done={index < at || undefined}
            onClick={() => onGo(name)}
          >
            {STEP_WORDS[name]}
          </button>
        ))}
      </nav>
      <SaveState handle={handle} onHelp={onHelp} />
    </header>
  );
}

function SaveState({ handle, onHelp }: { handle: LessonHandle; onHelp: () => void }) {
  const { queue, lesson, undo, undoProblem, changedElsewhere } = handle;
  const last = lesson.undoable[0];
  const nothing = last === undefined && queue.waiting.length === 0;
  return (
    <div className={css.saved}>
      <p role="status">
        <span className={css.did}>{undoProblem === null && last?.words}</span>
        <span>
          {undoProblem ?? savedWords(queue)}
          {changedElsewhere && ' · changed in another window'}
        </span>
      </p>
      <Undelivered />
      <button
        type="button"
        className={touch.word}
        disabled={nothing}
        aria-label={last ? `Undo: ${last.words}` : 'Undo'}
        aria-keyshortcuts="u"
        onClick={undo}
      >
        Undo
        <Key name="u" />
      </button>
      <button
        type="button"
        className={touch.word}
        aria-label="Keys"
        aria-keyshortcuts="?"
        onClick={onHelp}
      >
        ?
      </button>
    </div>
  );
}
