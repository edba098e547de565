import { audioContext, click } from './sound';

const AHEAD = 0.2;
const EVERY = 50;
const BEATS_PER_BAR = 4;

/** Clicks until the returned function is called. `tempo` is asked at each beat, in beats a minute;
 * `onBeat` is told each beat, from 0, as it sounds. */
export function startMetronome(tempo: () => number, onBeat?: (beat: number) => void): () => void {
  const context = audioContext();
  let next = context.currentTime + 0.1;
  let beat = 0;
  const timer = setInterval(() => {
    while (next < context.currentTime + AHEAD) {
      click(context, next, beat % BEATS_PER_BAR === 0);
      const sounds = beat;
      if (onBeat) setTimeout(() => onBeat(sounds), 1000 * (next - context.currentTime));
      next += 60 / tempo();
      beat += 1;
    }
  }, EVERY);
  return () => clearInterval(timer);
}
