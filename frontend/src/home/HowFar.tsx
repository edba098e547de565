import css from './HowFar.module.css';
import type { Week } from './weekNow';
import { upperFirst } from '../words/words';
import * as say from '../messages/compiled/home';

const RISE = 7;
const STEP = 18;

/** Steps climbed and what is better, in a player's words; nothing is counted or compared. A week that
 * the phone has kept from an earlier version tells neither. */
export function HowFar({ climbed = [], better = [] }: Partial<Pick<Week, 'climbed' | 'better'>>) {
  if (climbed.length === 0 && better.length === 0) return null;
  return (
    <section className={css.far}>
      <h2>{say.howFarYouAre()}</h2>
      {better.map((words) => (
        <p key={words} className={css.better}>
          {`${upperFirst(words)}.`}
        </p>
      ))}
      <ul>
        {climbed.map((each) => (
          <li key={each.name}>
            <Stairs step={each.step} of={each.of} />
            <span>{say.stepOf({ name: each.name, step: each.step, of: each.of })}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Stairs({ step, of }: { step: number; of: number }) {
  const height = of * RISE + 2;
  return (
    <svg width={of * STEP} height={height} aria-hidden="true">
      {Array.from({ length: of }, (_, n) => (
        <rect
          key={n}
          x={n * STEP + 1}
          y={height - (n + 1) * RISE - 1}
          width={STEP - 3}
          height={(n + 1) * RISE}
          fill={n < step ? 'var(--accent)' : 'none'}
          stroke="var(--accent)"
        />
      ))}
    </svg>
  );
}
