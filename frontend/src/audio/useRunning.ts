import { useCallback, useEffect, useRef, useState } from 'react';

/** Something that runs until it is stopped: a start, a stop, and whether it runs. */
export function useRunning(start: () => () => void): { running: boolean; toggle: () => void } {
  const [running, setRunning] = useState(false);
  const stop = useRef<(() => void) | null>(null);
  const end = useCallback(() => {
    stop.current?.();
    stop.current = null;
    setRunning(false);
  }, []);
  useEffect(() => end, [end]);
  const toggle = useCallback(() => {
    if (stop.current) {
      end();
      return;
    }
    stop.current = start();
    setRunning(true);
  }, [end, start]);
  return { running, toggle };
}
