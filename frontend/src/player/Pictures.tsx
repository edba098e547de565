import { Button, NativeSelect } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';

import { client, unwrap } from '../api/client';
import { picturesQuery } from '../api/queries';
import { Dialog } from '../components/Dialog';
import { SureButton } from '../components/SureButton';
import { LazyMeasuring } from '../pictures/LazyMeasuring';
import { isOfAFinger, KIND_WORDS, ON_PICTURES, type OnPicture } from '../pictures/pointPlan';
import { shortDate } from '../words/words';
import css from './Pictures.module.css';
import { addressOf, firstAndLast, told } from './pictureWords';

const PicturePair = lazy(async () => ({
  default: (await import('./PicturePair')).PicturePair,
}));

interface Props {
  player: { id: number; instrument: string };
}

/** Pictures of the hand that the teacher kept; two of them side by side, turned alike. */
export function Pictures({ player }: Props) {
  const pictures = useQuery(picturesQuery(player.id)).data ?? [];
  const [chosen, setChosen] = useState<string[] | null>(null);
  const [adding, setAdding] = useState(false);
  const cache = useQueryClient();
  const remove = useMutation({
    mutationFn: async (name: string) =>
      unwrap(
        await client.DELETE('/api/players/{player_id}/pictures/{name}', {
          params: { path: { player_id: player.id, name } },
        }),
      ),
    onSuccess: (left) => cache.setQueryData(picturesQuery(player.id).queryKey, left),
  });
  const shown = (chosen ?? firstAndLast(pictures)).flatMap((name) =>
    pictures.filter((picture) => picture.name === name),
  );
  const toggle = (name: string) => {
    const now = shown.map((picture) => picture.name);
    setChosen(now.includes(name) ? now.filter((n) => n !== name) : [...now, name].slice(-2));
  };
  const [one, two] = shown;
  return (
    <details open={pictures.length > 1}>
      <summary className={css.summary}>Pictures of the hand</summary>
      <Button variant="default" onClick={() => setAdding(true)}>
        Measure on a picture
      </Button>
      {one && two && (
        <Suspense fallback={null}>
          <PicturePair player={player} still={one} moved={two} />
        </Suspense>
      )}
      <ul className={css.strip}>
        {pictures.map((picture) => (
          <li key={picture.name}>
            <button
              type="button"
              className={css.thumb}
              aria-pressed={shown.includes(picture)}
              onClick={() => toggle(picture.name)}
            >
              <img src={addressOf(player.id, picture)} alt="" loading="lazy" />
              <span>
                {shortDate(picture.date)}
                {picture.words && `, ${picture.words}`}
              </span>
              <small>{told(picture)}</small>
            </button>
            <SureButton
              sure="Yes, remove"
              of={`the picture of ${shortDate(picture.date)}`}
              onSure={() => remove.mutate(picture.name)}
            >
              Remove
            </SureButton>
          </li>
        ))}
      </ul>
      {pictures.length > 2 && <p className="quiet">Touch two to see them side by side.</p>}
      {adding && <Adding player={player} onDone={() => setAdding(false)} />}
    </details>
  );
}

function Adding({ player, onDone }: Props & { onDone: () => void }) {
  const [kind, setKind] = useState<OnPicture>('tip_angle');
  const [finger, setFinger] = useState(4);
  const usable = ON_PICTURES.filter((each) => each !== 'elbow_offset' || isHeldUp(player));
  return (
    <Dialog opened onClose={onDone} title="Measure on a picture" wide>
      <div className={css.what}>
        <NativeSelect
          label="What"
          data={usable.map((value) => ({ value, label: KIND_WORDS[value] }))}
          value={kind}
          onChange={(event) => setKind(event.currentTarget.value as OnPicture)}
        />
        {isOfAFinger(kind) && (
          <NativeSelect
            label="Finger"
            data={['1', '2', '3', '4']}
            value={String(finger)}
            onChange={(event) => setFinger(Number(event.currentTarget.value))}
          />
        )}
      </div>
      <Suspense fallback={null}>
        <LazyMeasuring
          key={`${kind} ${finger}`}
          playerId={player.id}
          asked={{ kind, finger, instrument: player.instrument, string: null }}
          onDone={onDone}
        />
      </Suspense>
    </Dialog>
  );
}

function isHeldUp({ instrument }: { instrument: string }): boolean {
  return instrument === 'vn' || instrument === 'va';
}
