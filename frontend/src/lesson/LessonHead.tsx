import { Head, Saved } from '../components/Head';
import { Key } from '../components/Key';
import touch from '../components/touch.module.css';
import { Undelivered } from '../components/Undelivered';
import { savedWords } from '../outbox/outboxState';
import { INSTRUMENT_WORDS } from '../words/words';
import { type Step, STEP_KEYS, STEP_WORDS, STEPS } from './steps';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

interface Props {
  handle: LessonHandle;
  step: Step;
  onGo: (step: Step) => void;
  onHelp: () => void;
}

/** Who it is, the four steps of the lesson, and what was done last. */
export function LessonHead({ handle, step, onGo, onHelp }: Props) {
  const { queue, lesson, undo, undoProblem, changedElsewhere } = handle;
  const { player } = lesson;
  const last = lesson.undoable[0];
  const nothing = last === undefined && queue.waiting.length === 0;
  const piece = player.piece ? `, ${player.piece}` : '';
  return (
    <Head
      title={player.name}
      href={`/players/${player.id}`}
      about={`${INSTRUMENT_WORDS[player.instrument]}${piece}`}
      stepsAre={say.stepsOfTheLesson()}
      steps={STEPS.map((name, index) => ({
        id: name,
        words: STEP_WORDS[name],
        shortcut: STEP_KEYS[name],
        done: index < STEPS.indexOf(step),
      }))}
      now={step}
      onGo={(id) => onGo(id as Step)}
    >
      <Saved did={undoProblem === null ? last?.words : undefined}>
        {undoProblem ?? savedWords(queue)}
        {changedElsewhere && ` · ${say.changedInAnotherWindow()}`}
      </Saved>
      <Undelivered />
      <button
        type="button"
        className={touch.word}
        disabled={nothing}
        aria-keyshortcuts="u"
        onClick={undo}
      >
        <span aria-hidden="true">{say.undo()}</span>
        <span className="sr-only">
          {last ? say.undoOfWords({ words: last.words }) : say.undo()}
        </span>
        <Key name="u" />
      </button>
      <button
        type="button"
        className={touch.word}
        aria-label={say.keys()}
        aria-keyshortcuts="?"
        onClick={onHelp}
      >
        ?
      </button>
    </Head>
  );
}
