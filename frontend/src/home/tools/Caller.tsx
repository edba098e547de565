import { useCallback, useRef, useState } from 'react';

import type { Schemas } from '../../api/client';
import { audioContext, click } from '../../audio/sound';
import { nextCall } from '../../audio/timer';
import { useRunning } from '../../audio/useRunning';
import { Face } from './Face';
import * as say from '../../messages/compiled/home';

/** Shows, with a click, what is to be found next: strings, fingers, or "let go". */
export function Caller({ calls }: { calls: Schemas['CallsOut'] }) {
  const [called, setCalled] = useState(-1);
  const last = useRef(-1);
  const start = useCallback(() => {
    const context = audioContext();
    const call = () => {
      last.current = nextCall(calls, last.current, Math.random);
      setCalled(last.current);
      click(context, context.currentTime, true);
    };
    call();
    const timer = setInterval(call, 1000 * calls.seconds);
    return () => {
      clearInterval(timer);
      last.current = -1;
      setCalled(-1);
    };
  }, [calls]);
  const { running, toggle } = useRunning(start);
  const words = calls.words[called];
  return (
    <>
      <p className="sr-only" role="status">
        {words}
      </p>
      <Face
        big={words ?? '…'}
        words={running ? say.stopCalling() : say.startItCallsOut()}
        running={running}
        onTouch={toggle}
      />
    </>
  );
}
