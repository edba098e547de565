import { Button } from '@mantine/core';
import { useState } from 'react';

import type { Evidence } from '../api/client';
import { Dialog } from '../components/Dialog';
import { LazyMeasuring } from '../pictures/LazyMeasuring';
import { isOnPicture } from '../pictures/pointPlan';
import * as say from '../messages/compiled/lesson';

// Inward counts as positive for this one.
const INWARD = 'elbow.forced';
const USUAL_FINGER = 4;

interface Props {
  item: Evidence;
  playerId: number;
  instrument: string;
  finger: number | null;
  onValue: (value: number) => void;
}

/** Opens a picture to measure on; where no number belongs to the check it is only said. */
export function PictureAngle({ item, playerId, instrument, finger, onValue }: Props) {
  const [open, setOpen] = useState(false);
  if (!isOnPicture(item.photo)) return null;
  const on = finger ?? item.of_finger ?? USUAL_FINGER;
  return (
    <>
      <Button variant="default" onClick={() => setOpen(true)}>
        {say.fromAPicture()}
      </Button>
      <Dialog
        opened={open}
        onClose={() => setOpen(false)}
        title={finger === null ? item.label : say.fingerOfLabel({ label: item.label, finger })}
        wide
      >
        <LazyMeasuring
          playerId={playerId}
          asked={{ kind: item.photo, instrument, finger: on, string: null }}
          way={item.id === INWARD ? -1 : 1}
          onValue={item.measure === null ? undefined : onValue}
          onDone={() => setOpen(false)}
        />
      </Dialog>
    </>
  );
}
