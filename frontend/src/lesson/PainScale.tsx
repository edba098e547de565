import css from './PainScale.module.css';
import * as say from '../messages/compiled/lesson';

const PAINS = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10];

interface Props {
  pain: unknown;
  onPick: (pain: number | null) => void;
}

/** Picked, not typed, so that no half-typed number counts. */
export function PainScale({ pain, onPick }: Props) {
  return (
    <div role="group" aria-label={say.pain0To10()}>
      <p className={css.label}>{say.painFrom0NoneTo()}</p>
      <div className={css.scale}>
        {PAINS.map((each) => (
          <button
            key={each}
            type="button"
            aria-label={say.painOf10({ each })}
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
