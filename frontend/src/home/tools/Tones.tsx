import { useCallback } from 'react';

import { audioContext, drone } from '../../audio/sound';
import { useRunning } from '../../audio/useRunning';
import css from './tools.module.css';
import * as say from '../../messages/compiled/home';

const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

interface Props {
  target: number | null;
  openStrings: number[];
}

/** Held tones: the first note of the music and the open strings. */
export function Tones({ target, openStrings }: Props) {
  const pitches = [...new Set([...(target === null ? [] : [target]), ...openStrings])];
  return (
    <div className={css.tones} role="group" aria-label={say.heldTones()}>
      {pitches.map((midi) => (
        <Tone key={midi} midi={midi} words={midi === target ? say.firstNote() : say.openString()} />
      ))}
    </div>
  );
}

function Tone({ midi, words }: { midi: number; words: string }) {
  const { running, toggle } = useRunning(useCallback(() => drone(audioContext(), midi), [midi]));
  return (
    <button type="button" aria-pressed={running} onClick={toggle}>
      {NAMES[midi % NAMES.length]} <small>{words}</small>
    </button>
  );
}
