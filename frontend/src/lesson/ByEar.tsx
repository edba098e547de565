import { Button } from '@mantine/core';
import { useState } from 'react';

import { late } from '../components/late';
import type { Evidence } from '../api/client';
import { Dialog } from '../components/Dialog';
import { useKeys } from '../components/useKeys';
import type { OnTrial, Trial } from '../sound/AsTrial';
import type { Heard } from '../sound/takes';

const Listening = late(async () => (await import('../sound/Listening')).Listening);

interface Props {
  item: Evidence;
  lessonId: number;
  /** It is open from the start. */
  isOpened: boolean;
  onDone: () => void;
  onFound: (key: string, value: Heard) => void;
  trials: Trial[];
  onTrial: OnTrial;
}

/** Opens the ear: a drill is played and measured. */
export function ByEar({ item, lessonId, isOpened, onDone, onFound, trials, onTrial }: Props) {
  const [open, setOpen] = useState(isOpened);
  useKeys({ m: () => setOpen(true) });
  return (
    <>
      <Button variant="default" onClick={() => setOpen(true)}>
        Measure by ear
      </Button>
      <Dialog opened={open} onClose={() => setOpen(false)} title={item.label} wide="whole">
        <Listening
          lessonId={lessonId}
          evidence={item.id}
          onFound={onFound}
          trials={trials}
          onTrial={onTrial}
          onDone={() => {
            setOpen(false);
            onDone();
          }}
        />
      </Dialog>
    </>
  );
}
