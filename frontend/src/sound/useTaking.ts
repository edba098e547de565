import { useEffect, useRef, useState } from 'react';

import { type Microphone, openMicrophone } from './microphone';
import type { Along } from './useFollowing';
import { wavOf } from './wav';
import * as say from '../messages/compiled/sound';

const COUNTED = 4;
const AFTER = 1500;
const LONGEST = 58_000;
const QUIET = 0.02;
const LOUD = 0.98;
const FADES = 0.8; // of the level, from one look to the next
const LOOKS = 100; // ms from look to look

type Level = 'quiet' | 'good' | 'loud';

/** Nothing, the microphone being opened, the beat that is counted in (1 to 4), or the seconds that are left. */
export type Phase =
  | { kind: 'still' }
  | { kind: 'opening' }
  | { kind: 'counting'; beat: number }
  | { kind: 'playing'; left: number };

const STILL: Phase = { kind: 'still' };

/** Records one take: counts in by light alone, stops by itself, hands on a WAV file. along: hears what is played. */
export function useTaking(
  tempo: number,
  seconds: number,
  onSound: (sound: Blob) => void,
  along?: Along,
) {
  const [phase, setPhase] = useState<Phase>(STILL);
  const [peak, setPeak] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const open = useRef<Microphone | null>(null);
  const timers = useRef<ReturnType<typeof setTimeout>[]>([]);
  const isPlaying = useRef(false);
  // Which opening counts: one that was given up meanwhile lets its microphone go at once.
  const turn = useRef(0);

  function end(): Blob | null {
    turn.current += 1;
    timers.current.forEach(clearTimeout);
    timers.current = [];
    isPlaying.current = false;
    const sound = open.current?.stop() ?? null;
    open.current = null;
    setPhase(STILL);
    setPeak(0);
    return sound && wavOf(sound);
  }
  function finish() {
    const sound = end();
    if (sound) onSound(sound);
  }
  useEffect(
    () => () => {
      turn.current += 1;
      timers.current.forEach(clearTimeout);
      open.current?.stop();
    },
    [],
  );
  async function start() {
    const mine = (turn.current += 1);
    setProblem(null);
    setPhase({ kind: 'opening' });
    try {
      let most = 0;
      let looked = 0;
      const microphone = await openMicrophone((piece, rate) => {
        if (isPlaying.current) along?.hear(piece, rate);
        most = piece.reduce((loudest, value) => Math.max(loudest, Math.abs(value)), most);
        const now = performance.now();
        if (now - looked < LOOKS) return;
        setPeak(most);
        most *= FADES;
        looked = now;
      });
      if (turn.current !== mine) {
        microphone.stop();
        return;
      }
      open.current = microphone;
    } catch (error) {
      if (turn.current !== mine) return;
      setPhase(STILL);
      setProblem(error instanceof Error ? error.message : say.theMicrophoneCouldNotBe());
      return;
    }
    const beat = 60_000 / tempo;
    const later = (ms: number, act: () => void) => timers.current.push(setTimeout(act, ms));
    for (let n = 0; n < COUNTED; n++)
      later(n * beat, () => setPhase({ kind: 'counting', beat: n + 1 }));
    later(COUNTED * beat, () => {
      along?.begin();
      isPlaying.current = true;
    });
    const whole = Math.min(LONGEST, COUNTED * beat + seconds * 1000 + AFTER);
    for (let ms = COUNTED * beat; ms < whole; ms += 1000)
      later(ms, () => setPhase({ kind: 'playing', left: Math.ceil((whole - ms) / 1000) }));
    later(whole, finish);
  }
  const level: Level = peak >= LOUD ? 'loud' : peak < QUIET ? 'quiet' : 'good';
  return { phase, peak, level, problem, start, finish, drop: end };
}
