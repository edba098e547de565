import { useRef, useState } from 'react';

import { type Asked, Follower } from './Follower';
import { Pitches } from './Pitches';

/** Who listens along while a take is played. */
export interface Along {
  begin: () => void;
  /** rate: Hz. */
  hear: (piece: Float32Array, rate: number) => void;
}

/** Which place of the music is heard now, -1 before the first note; for the eye alone, nothing is measured by it. */
export function useFollowing(notes: Asked[]): Along & { place: number } {
  const [place, setPlace] = useState(-1);
  const ears = useRef<{ pitches: Pitches; follower: Follower } | null>(null);
  return {
    place,
    begin: () => {
      ears.current = null;
      setPlace(-1);
    },
    hear: (piece, rate) => {
      if (notes.length === 0) return;
      ears.current ??= {
        pitches: new Pitches(rate, Math.min(...notes.map((note) => note.midi))),
        follower: new Follower(notes, piece.length / rate),
      };
      const { pitches, follower } = ears.current;
      setPlace(follower.hear(pitches.hear(piece)));
    },
  };
}
