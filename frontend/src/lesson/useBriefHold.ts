import { useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';

/** ms for which an answer stays in view before the next question comes. */
const HELD = 260;
/** ms within which the same key again is one key that bounced. */
const BOUNCED = 150;

interface Hold<T> {
  shown: T | undefined;
  /** It was just answered: a second touch of it counts for nothing. */
  isHeld: boolean;
  /** Keep this one in view for a moment. */
  hold: (held: T) => void;
  drop: () => void;
}

/** What was just answered stays a moment, so that the eye sees which answer it was. */
export function useBriefHold<T extends { id: string }>(wanted: T | undefined): Hold<T> {
  const [held, setHeld] = useState<T | null>(null);
  const last = useRef({ key: '', at: 0 });
  const answered = useRef({ key: '', at: 0 });
  useEffect(() => {
    // A key that is typed on means the next question: it has to be there before the key acts.
    function onKey(event: KeyboardEvent) {
      // By the times of the keys themselves: on a busy machine the second one may come up late.
      const { key, at } = answered.current;
      const isBounced = event.key === key && event.timeStamp - at < BOUNCED;
      last.current = { key: event.key, at: event.timeStamp };
      if (isBounced || (event.repeat && held !== null)) {
        event.preventDefault();
        event.stopImmediatePropagation();
        return;
      }
      if (held !== null) flushSync(() => setHeld(null));
    }
    window.addEventListener('keydown', onKey, { capture: true });
    const timer = held === null ? undefined : setTimeout(() => setHeld(null), HELD);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('keydown', onKey, { capture: true });
    };
  }, [held]);
  return {
    shown: held ?? wanted,
    isHeld: held !== null,
    hold: (now) => {
      answered.current = last.current;
      setHeld(now);
    },
    drop: () => setHeld(null),
  };
}
