import { useEffect, useState } from 'react';

const STILL = '(prefers-reduced-motion: reduce)';
const BEAT = 280;
const PAUSE = 3;

/** Which of `count` frames shows now: slowly there and back, with a rest at both ends. Where
 * motion is not wanted, the last. */
export function useFrame(count: number): number {
  const [beat, setBeat] = useState(0);
  const still = window.matchMedia(STILL).matches;
  useEffect(() => {
    if (still) return undefined;
    const timer = setInterval(() => setBeat((now) => now + 1), BEAT);
    return () => clearInterval(timer);
  }, [still]);
  return still ? count - 1 : frameAt(beat, count);
}

/** There and back, resting PAUSE beats at each end. */
export function frameAt(beat: number, count: number): number {
  const last = count - 1;
  const round = beat % (2 * (last + PAUSE));
  if (round < PAUSE) return 0;
  if (round < PAUSE + last) return round - PAUSE;
  if (round < 2 * PAUSE + last) return last;
  return last - (round - 2 * PAUSE - last);
}
