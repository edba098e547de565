import type { Schemas } from '../api/client';

type Page = Omit<Schemas['SheetItemOut'], 'days'>;

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

/** What a tune is called and where it comes from; nothing for a drill without a name of its own. */
export function MusicTitle({ item }: { item: Page }) {
  if (item.music_title === '') return null;
  return (
    <p>
      <strong>{item.music_title}</strong> <span className="quiet">{item.music_credit}</span>
    </p>
  );
}

/** What it feels like, what to watch, where to stop: the same words wherever it is read. */
export function ExerciseFacts({ item }: { item: Page }) {
  const facts = [
    ['It feels like', item.feel],
    ['In the mirror', item.mirror],
    ['Not like this', item.mistake],
    ['Too much would be', item.over],
    ['Stop when', item.stop],
    ['Helper', item.helper_does],
  ] as const;
  return (
    <>
      {facts
        .filter(([, words]) => words !== '')
        .map(([name, words]) => (
          <p key={name}>
            <strong>{name}:</strong> {words}
          </p>
        ))}
    </>
  );
}
