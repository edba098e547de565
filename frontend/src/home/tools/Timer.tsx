import { useCallback, useEffect, useState } from 'react';

import { audioContext, click } from '../../audio/sound';
import { type Cue, cueAt } from '../../audio/timer';
import { useRunning } from '../../audio/useRunning';
import { Face } from './Face';
import * as say from '../../messages/compiled/home';

const EVERY = 200; // ms

/** Counts the dose by itself, each hold, letting go and rest with a click: no hand is free to. */
export function Timer({ cues }: { cues: Cue[] }) {
  const [seconds, setSeconds] = useState(0);
  const [ended, setEnded] = useState(false);
  const start = useCallback(() => {
    const context = audioContext();
    const began = Date.now();
    let index = -1;
    setEnded(false);
    setSeconds(0);
    const timer = setInterval(() => {
      const passed = (Date.now() - began) / 1000;
      const at = cueAt(cues, passed);
      if ((at?.index ?? -2) !== index) {
        click(context, context.currentTime, at !== null && cues[at.index]?.kind === 'do');
      }
      index = at?.index ?? -2;
      setSeconds(passed);
      if (at === null) {
        setEnded(true);
        clearInterval(timer);
      }
    }, EVERY);
    return () => clearInterval(timer);
  }, [cues]);
  const { running, toggle } = useRunning(start);
  useEffect(() => {
    if (ended && running) toggle();
  }, [ended, running, toggle]);
  const total = cues.reduce((sum, cue) => sum + cue.seconds, 0);
  const at = running ? cueAt(cues, seconds) : null;
  const cue = at && cues[at.index];
  return (
    <Face
      big={cue ? String(Math.ceil(at.left)) : clock(total)}
      words={
        cue ? `${cue.kind}, ${cue.words}` : ended ? say.thatWasAllOfIt() : say.startItCountsForYou()
      }
      running={running}
      share={running ? Math.min(1, seconds / total) : ended ? 1 : 0}
      onTouch={toggle}
    />
  );
}

function clock(seconds: number): string {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}
