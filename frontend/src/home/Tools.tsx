import { useCallback, useEffect, useRef, useState } from 'react';

import type { Schemas } from '../api/client';
import css from '../audio/audio.module.css';
import { startMetronome } from '../audio/metronome';
import { audioContext, click, drone } from '../audio/sound';
import { cueAt, nextCall } from '../audio/timer';
import { useRunning } from '../audio/useRunning';
import { TempoWork } from '../exercise/TempoWork';

const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];
const TEMPO_STEP = 4;
const USUAL_TEMPO = 60;

interface Props {
  item: Schemas['HomeItemOut'];
  openStrings: number[];
  /** Plays of its tempo work today, and what keeps another one; absent where none are kept. */
  plays?: readonly boolean[];
  onPlay?: (clean: boolean) => void;
}

/** Timer, caller, beat and held tones of one exercise, each one touch. */
export function Tools({ item, openStrings, plays = [], onPlay }: Props) {
  const hasBeat = item.tempo !== null || item.notes.length > 0;
  return (
    <>
      <Timer item={item} />
      {item.calls && <Caller calls={item.calls} name={item.name} />}
      {item.tempo_steps.length > 1 && onPlay ? (
        <TempoWork steps={item.tempo_steps} plays={plays} onPlay={onPlay} name={item.name} />
      ) : (
        hasBeat && <Metronome tempo={item.beat ?? item.tempo ?? USUAL_TEMPO} />
      )}
      {item.notes.length > 0 && (
        <Drones target={item.notes[0]?.midi ?? null} openStrings={openStrings} />
      )}
    </>
  );
}

function Timer({ item }: { item: Schemas['HomeItemOut'] }) {
  const { cues } = item;
  const [seconds, setSeconds] = useState(0);
  const [ended, setEnded] = useState(false);
  const start = useCallback(() => {
    const context = audioContext();
    const began = Date.now();
    let index = -1;
    setEnded(false);
    const timer = setInterval(() => {
      const passed = (Date.now() - began) / 1000;
      const at = cueAt(cues, passed);
      if ((at?.index ?? -2) !== index) {
        click(context, context.currentTime, at !== null && cues[at.index]?.kind === 'do');
      }
      index = at?.index ?? -2;
      setSeconds(passed);
      if (at === null) {
        setEnded(true);
        clearInterval(timer);
      }
    }, 200);
    return () => clearInterval(timer);
  }, [cues]);
  const { running, toggle } = useRunning(start);
  useEffect(() => {
    if (ended && running) toggle();
  }, [ended, running, toggle]);
  const at = running ? cueAt(cues, seconds) : null;
  const cue = at && cues[at.index];
  return (
    <div role="group" aria-label={`Timer of ${item.name}`}>
      {cue && (
        <p className={css.cue} data-kind={cue.kind} aria-live="off">
          <i aria-hidden="true" />
          <span className={css.count}>{Math.ceil(at.left)}</span>
          <span>
            <strong>{cue.kind}</strong> {cue.words}
          </span>
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

/** Shows, with a click, what is to be found next: strings, fingers, or "let go". */
function Caller({ calls, name }: { calls: Schemas['CallsOut']; name: string }) {
  const [called, setCalled] = useState(-1);
  const last = useRef(-1);
  const start = useCallback(() => {
    const context = audioContext();
    const call = () => {
      last.current = nextCall(calls, last.current, Math.random);
      setCalled(last.current);
      click(context, context.currentTime, true);
    };
    call();
    const timer = setInterval(call, 1000 * calls.seconds);
    return () => {
      clearInterval(timer);
      last.current = -1;
      setCalled(-1);
    };
  }, [calls]);
  const { running, toggle } = useRunning(start);
  return (
    <div role="group" aria-label={`Caller of ${name}`}>
      {running && called >= 0 && (
        <p className={css.called} aria-live="assertive">
          {calls.words[called]}
        </p>
      )}
      <div className={css.row}>
        <button type="button" className={css.tool} aria-pressed={running} onClick={toggle}>
          {running ? 'Stop calling' : 'Call out'}
        </button>
      </div>
    </div>
  );
}

function Metronome({ tempo }: { tempo: number }) {
  const [now, setNow] = useState(tempo);
  const beat = useRef(now);
  useEffect(() => {
    beat.current = now;
  });
  const { running, toggle } = useRunning(useCallback(() => startMetronome(() => beat.current), []));
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
          aria-label={step < 0 ? 'Slower' : 'Faster'}
          onClick={() => setNow(Math.min(208, Math.max(30, now + step)))}
        >
          {step < 0 ? 'slower' : 'faster'}
        </button>
      ))}
      {running && <span role="status">♩ = {now}</span>}
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
