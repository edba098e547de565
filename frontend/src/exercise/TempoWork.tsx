import { useCallback, useEffect, useRef } from 'react';

import css from '../audio/audio.module.css';
import { startMetronome } from '../audio/metronome';
import { useRunning } from '../audio/useRunning';
import { tempoAfter } from './tempoWork';

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
    <div role="group" aria-label={`Tempo of ${name}`}>
      <div className={css.row}>
        <button type="button" className={css.tool} aria-pressed={running} onClick={toggle}>
          {running ? 'Stop the beat' : `Beat ♩ = ${now.tempo}`}
        </button>
        <button type="button" className={css.tool} onClick={() => onPlay(true)}>
          It was clean
        </button>
        <button type="button" className={css.tool} onClick={() => onPlay(false)}>
          I missed
        </button>
      </div>
      <p role="status">
        Now <strong>♩ = {now.tempo}</strong>, the goal is {steps.at(-1)}.
        {now.highest !== null && ` Loose up to ${now.highest} today.`}
        {plays.length > 0 && ` ${now.slow} of ${plays.length} below the goal; most should be.`}
      </p>
    </div>
  );
}
