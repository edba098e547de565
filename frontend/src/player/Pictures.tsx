import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { late } from '../components/late';
import { client, unwrap } from '../api/client';
import { keptQuery, picturesQuery } from '../api/queries';
import { SureButton } from '../components/SureButton';
import { shortDate } from '../words/words';
import { KeptHere } from './KeptHere';
import css from './Pictures.module.css';
import { addressOf, firstAndLast, told } from './pictureWords';
import * as say from '../messages/compiled/player';

const NewPicture = late(async () => (await import('./NewPicture')).NewPicture);
const PicturePair = late(async () => (await import('./PicturePair')).PicturePair);

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
    onSuccess: (left) => {
      cache.setQueryData(picturesQuery(player.id).queryKey, left);
      void cache.invalidateQueries(keptQuery(player.id));
    },
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
    <>
      <KeptHere playerId={player.id} />
      <Button variant="default" onClick={() => setAdding(true)}>
        {say.measureOnAPicture()}
      </Button>
      {one && two && <PicturePair player={player} still={one} moved={two} />}
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
              sure={say.yesRemove()}
              of={say.thePictureOf({ date: shortDate(picture.date) })}
              onSure={() => remove.mutate(picture.name)}
            >
              {say.remove()}
            </SureButton>
          </li>
        ))}
      </ul>
      {pictures.length > 2 && <p className="quiet">{say.touchTwoToSeeThem()}</p>}
      {adding && <NewPicture player={player} onDone={() => setAdding(false)} />}
    </>
  );
}
