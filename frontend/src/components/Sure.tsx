import css from './Sure.module.css';
import string from './string.module.css';
import * as say from '../messages/compiled/components';

const WORDS = ['unlikely', 'possible', 'likely', say.veryLikely()];
const WIDTH = 104;
const HEIGHT = 20;
const END = 8;

/** How sure: a string with four stops, the bead stands at one of them; dashed where nothing is
 * known. The word stands beside it. */
export function Sure({ word, children }: { word: string | null; children?: string | undefined }) {
  const at = WORDS.indexOf(word ?? '');
  const x = (stop: number) => END + (stop * (WIDTH - 2 * END)) / (WORDS.length - 1);
  const middle = HEIGHT / 2;
  return (
    <span className={css.sure}>
      <svg width={WIDTH} height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true">
        <path
          className={at < 0 ? string.open : string.line}
          d={`M${END} ${middle}H${WIDTH - END}`}
        />
        {at >= 0 &&
          WORDS.map((each, stop) => (
            <path key={each} className={css.stop} d={`M${x(stop)} ${middle - 4}V${middle + 4}`} />
          ))}
        {at >= 0 && <circle className={css.bead} cx={x(at)} cy={middle} r={7} />}
      </svg>
      {children ?? word}
    </span>
  );
}
