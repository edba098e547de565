import type { AgainAnswer } from '../words/again';

/** How thick the string is at its end, of its thickness at the beginning. */
const ENDS: Record<AgainAnswer, number> = { gone: 0.15, less: 0.5, same: 1, more: 1.8 };

const WIDTH = 76;
const HEIGHT = 26;
const HALF = 5;

/** Change as a strand that thins or thickens, as in the picture of the term. */
export function Strand({ answer }: { answer: AgainAnswer }) {
  const end = HALF * ENDS[answer];
  const middle = HEIGHT / 2;
  const bend = `C${WIDTH * 0.55} ${middle - HALF} ${WIDTH * 0.6} ${middle - end}`;
  const back = `C${WIDTH * 0.6} ${middle + end} ${WIDTH * 0.55} ${middle + HALF}`;
  return (
    <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true">
      <path
        fill="currentColor"
        d={`M2 ${middle - HALF}H${WIDTH * 0.3}${bend} ${WIDTH - 2} ${middle - end}V${middle + end}${back} ${WIDTH * 0.3} ${middle + HALF}H2Z`}
      />
    </svg>
  );
}
