import { useEffect, useRef } from 'react';

import { mark } from '../audio/marks';
import { type ExpectedNote, picturesOf } from '../audio/schedule';
import css from './Listening.module.css';
import * as say from '../messages/compiled/sound';

interface Props {
  /** Our own SVG picture of the music. */
  music: string;
  notes: ExpectedNote[];
  /** Which notes are heard now, by their beginnings; -1 for none. */
  place: number;
}

/** The music to play, in which the note that is heard stands out. */
export function FollowedMusic({ music, notes, place }: Props) {
  const picture = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const drawn = picture.current?.querySelectorAll('g.note') ?? [];
    const here = picturesOf(notes)[place];
    mark(drawn, here, true);
    return () => mark(drawn, here, false);
  }, [music, notes, place]);
  return (
    <div
      ref={picture}
      className={css.music}
      role="img"
      aria-label={say.theMusicToPlay()}
      // Drawn by our own server from our own drills; no outside text gets into it.
      dangerouslySetInnerHTML={{ __html: music }}
    />
  );
}
