import { useCallback, useEffect, useRef, useState } from 'react';

import { startMetronome } from '../../audio/metronome';
import { useRunning } from '../../audio/useRunning';
import { Face } from './Face';
import * as say from '../../messages/compiled/home';

const USUAL = 60;
const STEP = 4;
const SLOWEST = 30;
const FASTEST = 208;
const BEATS_PER_BAR = 4;

interface Props {
  tempo: number | undefined;
  onBeat: (beat: number | null) => void;
}

/** A beat with a bar of count-in; the music turns its pages with it. */
export function Beat({ tempo = USUAL, onBeat }: Props) {
  const [now, setNow] = useState(tempo);
  const { at, running, toggle } = useBeat(now, onBeat);
  const go = (step: number) => setNow(Math.min(FASTEST, Math.max(SLOWEST, now + step)));
  return (
    <Face
      big={String(now)}
      words={running ? say.stopTheBeat() : say.startTheBeat()}
      running={running}
      share={(at % BEATS_PER_BAR) / (BEATS_PER_BAR - 1)}
      onTouch={toggle}
      less={{ words: say.slower(), onTouch: () => go(-STEP) }}
      more={{ words: say.faster(), onTouch: () => go(STEP) }}
    />
  );
}

/** Beats at a tempo that may change meanwhile. `onBeat` is told those of the music, from 0. */
export function useBeat(tempo: number, onBeat: (beat: number | null) => void) {
  const [at, setAt] = useState(0);
  const now = useRef(tempo);
  const told = useRef(onBeat);
  useEffect(() => {
    now.current = tempo;
    told.current = onBeat;
  });
  const start = useCallback(() => {
    let isOver = false;
    const stop = startMetronome(
      () => now.current,
      (beat) => {
        if (isOver) return;
        setAt(beat);
        told.current(Math.max(0, beat - BEATS_PER_BAR));
      },
    );
    return () => {
      isOver = true;
      stop();
      setAt(0);
      told.current(null);
    };
  }, []);
  return { at, ...useRunning(start) };
}
