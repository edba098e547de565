import { useState } from 'react';

import type { Schemas } from '../api/client';
import { Hand } from './Hand';
import css from './TwoHands.module.css';
import { useFrame } from './useFrame';
import * as say from '../messages/compiled/drawings';

type Pair = Schemas['TwoHandsOut'];

interface Props {
  pair: Pair;
  /** All that lies between the two; null while it is not there yet. */
  between: Pair['frames'] | null;
  /** The movement is asked for, or no longer. */
  onMove?: (on: boolean) => void;
  /** Width of each picture. */
  width?: string | undefined;
}

/** Two hands side by side with a word each, or one that moves from the first to the second. */
export function TwoHands({ pair, between, onMove, width = '7.1rem' }: Props) {
  const [moving, setMoving] = useState(false);
  const ends = [pair.frames[0], pair.frames.at(-1)];
  return (
    <figure className={css.pair}>
      {moving && between ? (
        <Moving frames={between} width={width} />
      ) : (
        ends.map((frame, index) =>
          frame ? (
            <div key={index} style={{ width }}>
              <Hand frame={frame} words={pair.words[index] ?? ''} />
              <p className={css.words} aria-hidden="true">
                {pair.words[index]}
              </p>
            </div>
          ) : null,
        )
      )}
      <button
        type="button"
        className={css.move}
        aria-pressed={moving}
        onClick={() => {
          setMoving(!moving);
          onMove?.(!moving);
        }}
      >
        {moving ? say.sideBySide() : say.showItMove()}
      </button>
    </figure>
  );
}

function Moving({ frames, width }: { frames: Pair['frames']; width: string }) {
  const frame = frames[useFrame(frames.length)];
  return frame ? (
    <div style={{ width }}>
      <Hand frame={frame} words={say.theMovementFromOneTo()} />
    </div>
  ) : null;
}
