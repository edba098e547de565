import { useQuery } from '@tanstack/react-query';

import type { Catalogue } from '../api/client';
import { exercisePairQuery } from '../api/handQueries';
import { ENDS, ExercisePair } from '../drawings/PairPicture';
import { ExerciseSteps } from '../exercise/ExerciseText';
import { instrumentsWords } from '../words/words';
import css from './LibraryPage.module.css';
import { LinkRow } from './LinkRow';
import * as say from '../messages/compiled/library';
import { beside } from '../words/lists';

interface Props {
  catalogue: Catalogue;
  id: string;
  instrument: string;
  onCause: (id: string) => void;
}

/** One exercise with everything that is said about it, and its ladder. */
export function ExerciseCard({ catalogue, id, instrument, onCause }: Props) {
  const exercise = catalogue.exercises.find((e) => e.id === id);
  const picture = useQuery(exercisePairQuery(id, instrument, null, { frames: ENDS }));
  if (!exercise) return null;
  // The words come with the picture that stands among them: nothing moves once it can be read.
  if (picture.isLoading) return <div data-pending />;
  const causes = exercise.aims.flatMap((aim) => catalogue.causes.filter((c) => c.id === aim));
  const facts: [string, string][] = [
    [say.itFeelsLike(), exercise.feel],
    [say.inTheMirror(), exercise.mirror],
    [say.commonMistake(), exercise.mistake],
    [say.tooMuchWouldBe(), exercise.over],
    [say.stopWhen(), exercise.stop],
    [say.toAChild(), `“${exercise.child}”`],
    [say.helper(), exercise.helper_does],
    [say.passedWhen(), exercise.passed_when],
    [say.needsAtHome(), beside(exercise.equipment.map((id) => catalogue.things[id] ?? id))],
    [say.whyItWasAdded(), exercise.added],
  ];
  return (
    <>
      <p className={css.kindline}>
        {[say.exercise(), exercise.kind, instrumentsWords(exercise.instruments)]
          .filter(Boolean)
          .join(', ')}
      </p>
      <h2>{exercise.name}</h2>
      <p className={css.how}>{say.thisWord({ does: exercise.does })}</p>
      <ExercisePair exercise={exercise.id} instrument={instrument} width="min(14.2rem, 46%)" />
      <ExerciseSteps steps={exercise.steps} />
      <dl className={css.facts}>
        {facts
          .filter(([, words]) => words !== '')
          .map(([name, words]) => (
            <div key={name}>
              <dt>{name}</dt>
              <dd>{words}</dd>
            </div>
          ))}
      </dl>
      <h3>{say.itsStepsEasiestFirst()}</h3>
      <ol>
        {exercise.rungs.map((rung) => (
          <li key={rung.words + rung.dose}>
            {rung.words}: {rung.dose}
            {rung.tempo !== null && `, ♩ = ${rung.tempo}`}{' '}
            <span className="quiet">({rung.setting})</span>
          </li>
        ))}
      </ol>
      <h3>{say.aimsAt()}</h3>
      <LinkRow entries={causes.map(({ id, name }) => ({ id, words: name }))} onOpen={onCause} />
    </>
  );
}
