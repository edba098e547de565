import { useCallback, useEffect, useRef, useState } from 'react';

/** What sounds on this page; one thing at a time. */
let sounding: (() => void) | null = null;

/** Something that runs until it is stopped, or until something else on the page begins to sound. */
export function useRunning(start: () => () => void): { running: boolean; toggle: () => void } {
  const [running, setRunning] = useState(false);
  const stop = useRef<(() => void) | null>(null);
  const end = useCallback(() => {
    if (sounding === stop.current) sounding = null;
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
    sounding?.();
    const stopSound = start();
    const mine = () => {
      stopSound();
      stop.current = null;
      setRunning(false);
    };
    stop.current = mine;
    sounding = mine;
    setRunning(true);
  }, [end, start]);
  return { running, toggle };
}
