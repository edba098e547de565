import type { Schemas } from '../api/client';
import { shortDate } from '../words/words';
import css from './Ladders.module.css';
import * as say from '../messages/compiled/player';
import { beside } from '../words/lists';

const STEP = 26;
const PAD = 12;

type Ladder = Schemas['LadderOut'];

/** Steps climbed on each exercise, as beads on a string: filled up to where the player stands. */
export function Ladders({ ladders }: { ladders: Ladder[] }) {
  return (
    <ul className={css.ladders}>
      {ladders.map((ladder) => (
        <li key={ladder.exercise}>
          <Steps ladder={ladder} />
          <span>{ladder.name}</span>
          <small>{wordsOf(ladder)}</small>
        </li>
      ))}
    </ul>
  );
}

export function standsAt(ladder: Ladder): number {
  return ladder.steps.at(-1)?.rung ?? 0;
}

function wordsOf(ladder: Ladder): string {
  const now = standsAt(ladder);
  const highest = Math.max(...ladder.steps.map((step) => step.rung));
  const since = ladder.steps.findLast((step, at, all) => all[at - 1]?.rung !== step.rung);
  return beside([
    say.stepOf({ now, rungs: ladder.rungs }),
    highest > now && say.was({ highest }),
    since && say.since({ date: shortDate(since.date) }),
  ]);
}

function Steps({ ladder }: { ladder: Ladder }) {
  const width = 2 * PAD + (ladder.rungs - 1) * STEP + 16;
  const x = (rung: number) => PAD + 8 + rung * STEP;
  return (
    <svg width={width} height={22} viewBox={`0 0 ${width} 22`} aria-hidden="true">
      <path d={`M4 11H${width - 4}`} className={css.string} />
      {Array.from({ length: ladder.rungs }, (_, rung) => (
        <circle
          key={rung}
          className={rung < standsAt(ladder) ? css.climbed : css.ahead}
          cx={x(rung)}
          cy={11}
          r={6.5}
        />
      ))}
    </svg>
  );
}
