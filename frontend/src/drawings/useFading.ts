import { useEffect, useState } from 'react';

const FADE = 150;

/** The value before the present one, for as long as the new one fades in over it. */
export function useFading<T>(value: T): T | null {
  const [shown, setShown] = useState({ now: value, before: null as T | null });
  if (shown.now !== value) setShown({ now: value, before: shown.now });
  const { before } = shown;
  useEffect(() => {
    if (before === null) return undefined;
    const timer = setTimeout(() => setShown((each) => ({ ...each, before: null })), FADE);
    return () => clearTimeout(timer);
  }, [before, value]);
  return before;
}
