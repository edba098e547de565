import css from './PainScale.module.css';

const PAINS = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10];

interface Props {
  pain: unknown;
  onPick: (pain: number | null) => void;
}

/** Picked, not typed, so that no half-typed number counts. */
export function PainScale({ pain, onPick }: Props) {
  return (
    <div role="group" aria-label="Pain, 0 to 10">
      <p className={css.label}>Pain, from 0 (none) to 10</p>
      <div className={css.scale}>
        {PAINS.map((each) => (
          <button
            key={each}
            type="button"
            aria-label={`Pain ${each} of 10`}
            aria-pressed={pain === each}
            onClick={() => onPick(pain === each ? null : each)}
          >
            {each}
          </button>
        ))}
      </div>
    </div>
  );
}
