import type { Schemas } from '../api/client';
import css from './Seats.module.css';
import * as say from '../messages/compiled/class';

type Pair = Schemas['RoundPairOut'];

const WIDTH = 720;
const HEIGHT = 380;
const RADIUS = 300;
const CENTRE = { x: WIDTH / 2, y: HEIGHT - 26 };
// How far round the half circle goes, and how far a watcher sits from whom they watch, in radians.
const [FIRST, LAST] = [0.93 * Math.PI, 0.07 * Math.PI];
const BESIDE = 0.085;
const NEARER = 40;

/** The room from above: pairs in a half circle before the screen, the watcher where the hand is seen. */
export function Seats({ pairs }: { pairs: readonly Pair[] }) {
  return (
    <figure className={css.room}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={say.theRoomFromAbove()}>
        <g className={css.screen}>
          <path d={`M${CENTRE.x - 70} ${CENTRE.y + 18}h140`} />
          <text x={CENTRE.x} y={CENTRE.y + 6}>
            {say.youAndTheScreen()}
          </text>
        </g>
        {pairs.map((pair, at) => {
          const angle = FIRST + ((at + 0.5) / pairs.length) * (LAST - FIRST);
          const player = seat(angle + BESIDE, RADIUS);
          const watcher = seat(angle - BESIDE, RADIUS - NEARER);
          return (
            <g key={pair.watched} className={css.pair}>
              <path d={`M${watcher.x} ${watcher.y}L${player.x} ${player.y}`} />
              <circle cx={player.x} cy={player.y} r={11} data-plays />
              <circle cx={watcher.x} cy={watcher.y} r={8} />
              <text x={player.x} y={player.y - 17} data-plays>
                {pair.watched_name}
              </text>
              <text x={watcher.x} y={watcher.y + 24}>
                {pair.watcher_name}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption>{say.whoWatchesSitsAtThe()}</figcaption>
    </figure>
  );
}

function seat(angle: number, radius: number) {
  return {
    x: Math.round(CENTRE.x + radius * Math.cos(angle)),
    y: Math.round(CENTRE.y - radius * Math.sin(angle)),
  };
}
