import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';

/** ms for which an answer stays in view before the next question comes. */
const HELD = 260;

interface Hold<T> {
  shown: T | undefined;
  /** Keep this one in view for a moment. */
  hold: (held: T) => void;
  drop: () => void;
}

/** What was just answered stays a moment, so that the eye sees which answer it was. */
export function useBriefHold<T extends { id: string }>(wanted: T | undefined): Hold<T> {
  const [held, setHeld] = useState<T | null>(null);
  useEffect(() => {
    if (held === null) return undefined;
    const drop = () => setHeld(null);
    const timer = setTimeout(drop, HELD);
    // A key that is typed on means the next question already: it has to be there before the key acts.
    const dropAtOnce = (event: KeyboardEvent) => {
      if (!event.repeat) flushSync(drop);
    };
    window.addEventListener('keydown', dropAtOnce, { capture: true, once: true });
    return () => {
      clearTimeout(timer);
      window.removeEventListener('keydown', dropAtOnce, { capture: true });
    };
  }, [held]);
  return { shown: held ?? wanted, hold: setHeld, drop: () => setHeld(null) };
}
