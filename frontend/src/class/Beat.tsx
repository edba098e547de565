import { useCallback, useState } from 'react';

import css from '../audio/audio.module.css';
import { startMetronome } from '../audio/metronome';
import { useRunning } from '../audio/useRunning';
import * as say from '../messages/compiled/class';

const TEMPO = 60;
const BAR = 4;

/** A calm beat for all, heard and counted. */
export function Beat() {
  const [beat, setBeat] = useState(0);
  const { running, toggle } = useRunning(
    useCallback(
      () =>
        startMetronome(
          () => TEMPO,
          (now) => setBeat(now % BAR),
        ),
      [],
    ),
  );
  return (
    <div className={css.row}>
      <button type="button" className={css.tool} aria-pressed={running} onClick={toggle}>
        {running ? say.stopTheBeat({ beat: beat + 1 }) : say.aBeatForAll()}
      </button>
    </div>
  );
}
