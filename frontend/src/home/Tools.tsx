import { useCallback, useEffect, useMemo, useState } from 'react';

import type { Schemas } from '../api/client';
import css from '../audio/audio.module.css';
import { startMetronome } from '../audio/metronome';
import { audioContext, click, drone } from '../audio/sound';
import { phaseAt, phasesOf } from '../audio/timer';
import { useRunning } from '../audio/useRunning';

const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];
const TEMPO_STEP = 4;
const USUAL_TEMPO = 60;

interface Props {
  item: Schemas['HomeItemOut'];
  openStrings: number[];
}

/** Timer, metronome and drone of one exercise, each one touch. */
export function Tools({ item, openStrings }: Props) {
  return (
    <>
      <Timer item={item} />
      {item.notes.length > 0 && (
        <>
          <Metronome tempo={item.beat ?? USUAL_TEMPO} />
          <Drones target={item.notes[0]?.midi ?? null} openStrings={openStrings} />
        </>
      )}
    </>
  );
}

function Timer({ item }: { item: Schemas['HomeItemOut'] }) {
  const phases = useMemo(() => phasesOf(item), [item]);
  const [seconds, setSeconds] = useState(0);
  const [ended, setEnded] = useState(false);
  const start = useCallback(() => {
    const context = audioContext();
    const began = Date.now();
    let index = -1;
    setEnded(false);
    const timer = setInterval(() => {
      const passed = (Date.now() - began) / 1000;
      const at = phaseAt(phases, passed);
      if ((at?.index ?? -2) !== index) click(context, context.currentTime, at?.index !== undefined);
      index = at?.index ?? -2;
      setSeconds(passed);
      if (at === null) {
        setEnded(true);
        clearInterval(timer);
      }
    }, 200);
    return () => clearInterval(timer);
  }, [phases]);
  const { running, toggle } = useRunning(start);
  useEffect(() => {
    if (ended && running) toggle();
  }, [ended, running, toggle]);
  const at = running ? phaseAt(phases, seconds) : null;
  const phase = at && phases[at.index];
  return (
    <div role="group" aria-label={`Timer of ${item.name}`}>
      {phase && (
        <p aria-live="off">
          <span className={css.count}>{Math.ceil(at.left)}</span> <strong>{phase.kind}</strong> (
          {phase.words})
        </p>
      )}
      <div className={css.row}>
        <button type="button" className={css.tool} aria-pressed={running} onClick={toggle}>
          {running ? 'Stop the timer' : ended ? 'Timer: once more' : 'Timer'}
        </button>
        {ended && !running && <p>That was all of it. Let the arm hang.</p>}
      </div>
    </div>
  );
}

function Metronome({ tempo }: { tempo: number }) {
  const [now, setNow] = useState(tempo);
  const { running, toggle } = useRunning(useCallback(() => startMetronome(now), [now]));
  return (
    <div className={css.row} role="group" aria-label="Metronome">
      <button type="button" className={css.tool} aria-pressed={running} onClick={toggle}>
        {running ? 'Stop the beat' : `Beat ♩ = ${now}`}
      </button>
      {[-TEMPO_STEP, TEMPO_STEP].map((step) => (
        <button
          key={step}
          type="button"
          className={css.tool}
          disabled={running}
          aria-label={step < 0 ? 'Slower' : 'Faster'}
          onClick={() => setNow(Math.min(208, Math.max(30, now + step)))}
        >
          {step < 0 ? 'slower' : 'faster'}
        </button>
      ))}
    </div>
  );
}

function Drones({ target, openStrings }: { target: number | null; openStrings: number[] }) {
  const pitches = [...new Set([...(target === null ? [] : [target]), ...openStrings])];
  return (
    <div className={css.row} role="group" aria-label="Held tones">
      {pitches.map((midi) => (
        <Drone key={midi} midi={midi} words={midi === target ? 'first note' : 'string'} />
      ))}
    </div>
  );
}

function Drone({ midi, words }: { midi: number; words: string }) {
  const { running, toggle } = useRunning(useCallback(() => drone(audioContext(), midi), [midi]));
  const name = NAMES[midi % NAMES.length] ?? '';
  return (
    <button type="button" className={css.tool} aria-pressed={running} onClick={toggle}>
      {running ? 'stop' : ''} {name} <small>{words}</small>
    </button>
  );
}
