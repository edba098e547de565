import css from './Listening.module.css';
import * as say from '../messages/compiled/sound';

const WIDTH = 1000;
const MIDDLE = 22;
// A curve bends half as far as the point that draws it.
const DRAWN = 2 * (MIDDLE - 2);

/** An open string that swings as far as it is loud. level: 0 to 1, full scale. */
export function SwingingString({ level }: { level: number }) {
  const far = DRAWN * Math.sqrt(Math.min(1, level));
  const half = (by: number) => `Q${WIDTH / 2} ${MIDDLE + by} `;
  return (
    <div
      className={css.string}
      role="meter"
      aria-label={say.level()}
      aria-valuemin={0}
      aria-valuemax={1}
      aria-valuenow={Number(level.toFixed(2))}
    >
      <svg viewBox={`0 0 ${WIDTH} ${2 * MIDDLE}`} preserveAspectRatio="none" aria-hidden>
        <path d={`M0 ${MIDDLE}${half(-far)}${WIDTH} ${MIDDLE}${half(far)}0 ${MIDDLE}Z`} />
      </svg>
    </div>
  );
}
