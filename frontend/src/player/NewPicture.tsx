import { NativeSelect } from '@mantine/core';
import { useState } from 'react';

import { Dialog } from '../components/Dialog';
import { LazyMeasuring } from '../pictures/LazyMeasuring';
import { isOfAFinger, KIND_WORDS, ON_PICTURES, type OnPicture } from '../pictures/pointPlan';
import css from './Pictures.module.css';
import { isHeldUp } from '../words/words';
import * as say from '../messages/compiled/player';

interface Props {
  player: { id: number; instrument: string };
  onDone: () => void;
}

/** Another picture of the hand: what is to be measured on it is chosen first. */
export function NewPicture({ player, onDone }: Props) {
  const [kind, setKind] = useState<OnPicture>('tip_angle');
  const [finger, setFinger] = useState(4);
  const usable = ON_PICTURES.filter((each) => each !== 'elbow_offset' || isHeldUp(player));
  return (
    <Dialog opened onClose={onDone} title={say.measureOnAPicture()} wide>
      <div className={css.what}>
        <NativeSelect
          label={say.what()}
          data={usable.map((value) => ({ value, label: KIND_WORDS[value] }))}
          value={kind}
          onChange={(event) => setKind(event.currentTarget.value as OnPicture)}
        />
        {isOfAFinger(kind) && (
          <NativeSelect
            label={say.finger()}
            data={['1', '2', '3', '4']}
            value={String(finger)}
            onChange={(event) => setFinger(Number(event.currentTarget.value))}
          />
        )}
      </div>
      <LazyMeasuring
        key={`${kind} ${finger}`}
        playerId={player.id}
        asked={{ kind, finger, instrument: player.instrument, string: null }}
        onDone={onDone}
      />
    </Dialog>
  );
}
