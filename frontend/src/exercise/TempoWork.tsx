import { useCallback, useEffect, useRef } from 'react';

import css from '../audio/audio.module.css';
import { startMetronome } from '../audio/metronome';
import { useRunning } from '../audio/useRunning';
import { tempoAfter } from './tempoWork';
import * as say from '../messages/compiled/exercise';
import { Rich } from '../messages/Rich';

interface Props {
  steps: number[];
  plays: readonly boolean[];
  onPlay: (clean: boolean) => void;
  name: string;
}

/** From a loose start to the goal: three clean times go a step faster, two misses a step back. */
export function TempoWork({ steps, plays, onPlay, name }: Props) {
  const now = tempoAfter(steps, plays);
  const tempo = useRef(now.tempo);
  useEffect(() => {
    tempo.current = now.tempo;
  });
  const { running, toggle } = useRunning(
    useCallback(() => startMetronome(() => tempo.current), []),
  );
  return (
    <div role="group" aria-label={say.tempoOf({ name })}>
      <div className={css.row}>
        <button type="button" className={css.tool} aria-pressed={running} onClick={toggle}>
          {running ? say.stopTheBeat() : say.beat({ tempo: now.tempo })}
        </button>
        <button type="button" className={css.tool} onClick={() => onPlay(true)}>
          {say.itWasClean()}
        </button>
        <button type="button" className={css.tool} onClick={() => onPlay(false)}>
          {say.iMissed()}
        </button>
      </div>
      <p role="status">
        <Rich says={say.nowTheGoalIs({ tempo: now.tempo, goal: steps.at(-1) ?? now.tempo })} />
        {now.highest !== null && ` ${say.looseUpToToday({ highest: now.highest })}`}
        {plays.length > 0 && ` ${say.ofBelowTheGoalMost({ slow: now.slow, count: plays.length })}`}
      </p>
    </div>
  );
}
