import { useCallback, useEffect, useRef, useState } from 'react';

import css from './audio.module.css';
import { type ExpectedNote, picturesOf, scheduleOf } from './schedule';
import { audioContext, click, note } from './sound';
import { useRunning } from './useRunning';

const SPEEDS = [0.5, 0.75, 1];
const SOUNDING = 'sounding';

interface Props {
  name: string;
  /** Our own SVG picture of the music. */
  music: string;
  notes: ExpectedNote[];
  tempo: number;
}

/** The music, and a button that plays it: a bar of count-in, then a mark that moves along. */
export function Listen({ name, music, notes, tempo }: Props) {
  const picture = useRef<HTMLDivElement>(null);
  const [speed, setSpeed] = useState(1);
  const finish = useRef<() => void>(() => undefined);

  const start = useCallback(() => {
    const context = audioContext();
    const plan = scheduleOf(notes, tempo, speed);
    const zero = context.currentTime + 0.15;
    for (const beat of plan.beats) if (beat.countIn) click(context, zero + beat.time, beat.first);
    const tones = plan.notes.map((each) =>
      note(context, each.midi, zero + each.onset, each.seconds),
    );
    const drawn = picture.current?.querySelectorAll('g.note') ?? [];
    const places = picturesOf(notes);
    let shown = -1;
    const timer = setInterval(() => {
      const now = context.currentTime - zero;
      const place = plan.notes.reduce((last, n) => (n.onset <= now ? n.place : last), -1);
      if (place !== shown) {
        mark(drawn, places[shown], false);
        mark(drawn, places[place], true);
        shown = place;
      }
      if (now > plan.end) finish.current();
    }, 30);
    return () => {
      clearInterval(timer);
      mark(drawn, places[shown], false);
      for (const tone of tones) tone.stop();
    };
  }, [notes, tempo, speed]);
  const { running, toggle } = useRunning(start);
  useEffect(() => {
    finish.current = toggle;
  });

  return (
    <div className={css.listen}>
      <div
        ref={picture}
        className={css.music}
        role="img"
        aria-label={`Music of ${name}`}
        // Drawn by our own server from our own drills, or from a part that it has cleaned.
        dangerouslySetInnerHTML={{ __html: music }}
      />
      {notes.length > 0 && (
        <div className={`${css.row} no-print`}>
          <button type="button" className={css.tool} aria-pressed={running} onClick={toggle}>
            {running ? 'Stop' : 'Listen'}
          </button>
          <div role="group" aria-label="Speed" className={css.row}>
            {SPEEDS.map((each) => (
              <button
                key={each}
                type="button"
                className={css.tool}
                aria-pressed={each === speed}
                disabled={running}
                onClick={() => setSpeed(each)}
              >
                {each === 1 ? '♩ = ' : ''}
                {each === 1 ? tempo : each === 0.5 ? 'half' : 'three quarters'}
              </button>
            ))}
          </div>
        </div>
      )}
    </div>
  );
}

function mark(drawn: ArrayLike<Element>, indices: number[] | undefined, on: boolean): void {
  for (const index of indices ?? []) drawn[index]?.classList.toggle(SOUNDING, on);
}
