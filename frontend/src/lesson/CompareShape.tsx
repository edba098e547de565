import { useState } from 'react';

import type { Lesson } from '../api/client';
import { Dialog } from '../components/Dialog';
import touch from '../components/touch.module.css';
import { LazyMeasuring } from '../pictures/LazyMeasuring';
import * as say from '../messages/compiled/lesson';

const USUAL_FINGER = 1;

interface Props {
  lesson: Lesson;
  name: string;
}

/** Whether the hand stayed as it was: a picture before and one after, laid alike. */
export function CompareShape({ lesson, name }: Props) {
  const [open, setOpen] = useState(false);
  const { id, instrument } = lesson.player;
  return (
    <>
      <button type="button" className={touch.word} onClick={() => setOpen(true)}>
        {say.twoPicturesDidAnythingMove()}
      </button>
      <Dialog opened={open} onClose={() => setOpen(false)} title={name} wide>
        <LazyMeasuring
          playerId={id}
          asked={{ kind: 'shape', instrument, finger: USUAL_FINGER, string: null }}
          onDone={() => setOpen(false)}
        />
      </Dialog>
    </>
  );
}
