import type { Schemas } from '../api/client';

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
  feel: 'It feels like',
  mirror: 'In the mirror',
  mistake: 'Not like this',
  over: 'Too much would be',
  stop: 'Stop when',
  helper_does: 'Helper',
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
