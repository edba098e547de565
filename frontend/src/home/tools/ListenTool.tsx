import { useCallback, useEffect, useRef, useState } from 'react';

import { scheduleOf, stopAt } from '../../audio/schedule';
import { audioContext, click, note } from '../../audio/sound';
import { hush, speak } from '../../audio/speak';
import { useRunning } from '../../audio/useRunning';
import type { HomeItem } from '../weekNow';
import { Face } from './Face';
import * as say from '../../messages/compiled/home';

const USUAL_TEMPO = 60;
const SPEEDS = [0.5, 0.75, 1];
const EVERY = 40; // ms
const A_LOOK = 1; // s, for each thing that is looked at where the tune stops
const NO_LOOKS: HomeItem['looks'] = [];

interface Props {
  item: HomeItem;
  onBeat: (beat: number | null) => void;
  onNote: (place: number | null) => void;
}

/** A week that was kept before there were any has none. */
const orNone = (looks: HomeItem['looks'] | undefined) => looks ?? NO_LOOKS;

/** Plays the music, after a bar of count-in, as written or slower. Where a tune stops it waits and
 * says what to look at. */
export function ListenTool({ item, onBeat, onNote }: Props) {
  const [at, setAt] = useState(SPEEDS.length - 1);
  const [share, setShare] = useState(0);
  const finish = useRef<() => void>(() => undefined);
  const speed = SPEEDS[at] ?? 1;
  const tempo = item.beat ?? USUAL_TEMPO;
  const told = useRef({ onBeat, onNote });
  useEffect(() => {
    told.current = { onBeat, onNote };
  });
  const { notes } = item;
  const looks = orNone(item.looks);
  const [look, setLook] = useState<number | null>(null);
  const start = useCallback(() => {
    const context = audioContext();
    const plan = scheduleOf(notes, tempo, speed, {
      beatsABar: item.beats,
      wait: looks.length * A_LOOK,
    });
    const zero = context.currentTime + 0.15;
    for (const beat of plan.beats) if (beat.countIn) click(context, zero + beat.time, beat.first);
    const tones = plan.notes.map((each) =>
      note(context, each.midi, zero + each.onset, each.seconds),
    );
    const first = plan.beats.find((beat) => !beat.countIn)?.time ?? 0;
    let shown = -1;
    let counted = -1;
    let said: number | null = null;
    const timer = setInterval(() => {
      const now = context.currentTime - zero;
      setShare(Math.min(1, Math.max(0, now / plan.end)));
      const { since, waited } = stopAt(plan, now);
      const beat = Math.max(0, Math.floor(((now - waited - first) * tempo * speed) / 60));
      const looked = since === null ? null : Math.floor(since / A_LOOK);
      if (looked !== said && looked !== null) speak(looks[looked]?.words ?? '');
      if (looked !== said) setLook(looked);
      said = looked;
      if (beat !== counted) told.current.onBeat(beat);
      counted = beat;
      const place = plan.notes.reduce((last, n) => (n.onset <= now ? n.place : last), -1);
      if (place !== shown) told.current.onNote(place < 0 ? null : place);
      shown = place;
      if (now > plan.end) finish.current();
    }, EVERY);
    return () => {
      clearInterval(timer);
      setShare(0);
      setLook(null);
      hush();
      told.current.onBeat(null);
      told.current.onNote(null);
      for (const tone of tones) tone.stop();
    };
  }, [notes, looks, item.beats, tempo, speed]);
  const { running, toggle } = useRunning(start);
  useEffect(() => {
    finish.current = toggle;
  });
  const step = (by: number) => {
    if (!running) setAt(Math.min(SPEEDS.length - 1, Math.max(0, at + by)));
  };
  return (
    <Face
      big={look === null ? String(Math.round(tempo * speed)) : (looks[look]?.words ?? '')}
      words={running ? say.stopAlone() : say.hearIt()}
      running={running}
      share={share}
      onTouch={toggle}
      less={{ words: say.slower(), onTouch: () => step(-1) }}
      more={{ words: say.faster(), onTouch: () => step(1) }}
    />
  );
}
