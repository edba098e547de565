import { tempoAfter } from '../../exercise/tempoWork';
import { useBeat } from './Beat';
import { Face } from './Face';
import css from './tools.module.css';
import * as say from '../../messages/compiled/home';
import { sentences } from '../../words/lists';

interface Props {
  steps: number[];
  plays: readonly boolean[];
  onPlay: (clean: boolean) => void;
  onBeat: (beat: number | null) => void;
}

/** From a loose start to the goal: three clean times go a step faster, two misses a step back. */
export function TempoTool({ steps, plays, onPlay, onBeat }: Props) {
  const now = tempoAfter(steps, plays);
  const { running, toggle } = useBeat(now.tempo, onBeat);
  const loose = now.highest === null ? '' : say.looseUpToToday({ highest: now.highest });
  return (
    <Face
      big={String(now.tempo)}
      words={
        running ? say.stopTheBeat() : say.startTheBeatGoal({ goal: steps.at(-1) ?? now.tempo })
      }
      running={running}
      share={plays.length === 0 ? 0 : now.slow / plays.length}
      onTouch={toggle}
    >
      <p className="sr-only" role="status">
        {sentences([say.now({ tempo: now.tempo }), loose])}
      </p>
      <div className={css.plays}>
        <button type="button" onClick={() => onPlay(true)}>
          {say.itWasClean()}
        </button>
        <button type="button" onClick={() => onPlay(false)}>
          {say.iMissed()}
        </button>
      </div>
    </Face>
  );
}
