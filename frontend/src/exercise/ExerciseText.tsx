import type { Schemas } from '../api/client';
import * as say from '../messages/compiled/exercise';

export type Page = Omit<Schemas['HowOut'], 'spots'>;

/** How it is done, step by step. */
export function ExerciseSteps({ steps }: { steps: string[] }) {
  return (
    <ol>
      {steps.map((step) => (
        <li key={step}>{step}</li>
      ))}
    </ol>
  );
}

type Fact = 'feel' | 'mirror' | 'mistake' | 'over' | 'stop' | 'helper_does';

const FACTS: Record<Fact, string> = {
  feel: say.itFeelsLike(),
  mirror: say.inTheMirror(),
  mistake: say.notLikeThis(),
  over: say.tooMuchWouldBe(),
  stop: say.stopWhen(),
  helper_does: say.helper(),
};

/** What it feels like, what to watch, where to stop: the same words wherever it is read. */
export function ExerciseFacts({ item, only }: { item: Page; only?: readonly Fact[] }) {
  const shown = only ?? (Object.keys(FACTS) as Fact[]);
  return (
    <>
      {shown
        .filter((fact) => item[fact] !== '')
        .map((fact) => (
          <p key={fact}>
            <strong>{FACTS[fact]}:</strong> {item[fact]}
          </p>
        ))}
    </>
  );
}
