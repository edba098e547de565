import type { Schemas } from '../api/client';
import { shortDate } from '../words/words';
import css from './Ladders.module.css';

const STEP = 18;
const COLUMN = 46;
const PAD = 10;

/** Steps climbed on each exercise, one dot a lesson. */
export function Ladders({ ladders }: { ladders: Schemas['LadderOut'][] }) {
  return (
    <section>
      <h2>Steps climbed</h2>
      <ul className={css.ladders}>
        {ladders.map((ladder) => (
          <li key={ladder.exercise}>
            <Ladder ladder={ladder} />
            <span>{ladder.name}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Ladder({ ladder }: { ladder: Schemas['LadderOut'] }) {
  const height = ladder.rungs * STEP + 2 * PAD;
  const width = Math.max(2, ladder.steps.length) * COLUMN;
  const at = (index: number, rung: number) => ({
    x: COLUMN / 2 + index * COLUMN,
    y: height - PAD - (rung - 0.5) * STEP,
  });
  const points = ladder.steps.map((step, index) => at(index, step.rung));
  const told = ladder.steps.map((step) => `${shortDate(step.date)} step ${step.rung}`).join(', ');
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`${ladder.name}, of ${ladder.rungs} steps: ${told}`}
    >
      {Array.from({ length: ladder.rungs }, (_, rung) => (
        <line
          key={rung}
          className={css.rung}
          x1={2}
          x2={width - 2}
          y1={at(0, rung + 1).y}
          y2={at(0, rung + 1).y}
        />
      ))}
      <polyline className={css.climb} points={points.map((p) => `${p.x},${p.y}`).join(' ')} />
      {points.map((p) => (
        <circle key={p.x} className={css.dot} cx={p.x} cy={p.y} r={6} />
      ))}
    </svg>
  );
}
