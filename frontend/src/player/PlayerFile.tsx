import { Button, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation } from 'wouter';

import { client, unwrapEmpty } from '../api/client';
import { picturesQuery } from '../api/queries';
import { piecesQuery } from '../pieces/pieces';
import { Dialog } from '../components/Dialog';
import css from './PlayerFile.module.css';

interface Props {
  id: number;
  name: string;
  /** How many are kept. */
  sounds: number;
}

/** Taking a player's records along, and erasing them. */
export function PlayerFile({ id, name, sounds }: Props) {
  const hasPieces = (useQuery(piecesQuery(id)).data ?? []).length > 0;
  const hasPictures = (useQuery(picturesQuery(id)).data ?? []).length > 0;
  const [erasing, setErasing] = useState(false);
  return (
    <div className={css.row}>
      <Button component="a" variant="subtle" href={`/api/players/${id}/file`}>
        Save all records as a file
      </Button>
      <Button component="a" variant="subtle" href={`/api/players/${id}/table.csv`}>
        A table for a spreadsheet
      </Button>
      {(hasPictures || hasPieces || sounds > 0) && (
        <Button
          component="a"
          variant="subtle"
          href={`/api/players/${id}/file?pictures=true&sounds=true&scores=true`}
        >
          The same with{' '}
          {[
            hasPictures && 'the pictures of the hand',
            sounds > 0 && 'the sounds',
            hasPieces && 'the music',
          ]
            .filter(Boolean)
            .join(' and ')}
        </Button>
      )}
      <Button variant="subtle" onClick={() => setErasing(true)}>
        Erase this player
      </Button>
      <Dialog opened={erasing} onClose={() => setErasing(false)} title={`Erase ${name}?`}>
        <Erase id={id} name={name} />
      </Dialog>
    </div>
  );
}

function Erase({ id, name }: { id: number; name: string }) {
  const [typed, setTyped] = useState('');
  const cache = useQueryClient();
  const [, navigate] = useLocation();
  const erase = useMutation({
    mutationFn: async () => {
      const params = { path: { player_id: id }, query: { name: typed } };
      unwrapEmpty(await client.DELETE('/api/players/{player_id}', { params }));
    },
    onSuccess: async () => {
      navigate('/');
      cache.removeQueries({ queryKey: ['player', id] });
      await cache.invalidateQueries();
    },
  });
  return (
    <form
      className={css.form}
      onSubmit={(event) => {
        event.preventDefault();
        erase.mutate();
      }}
    >
      <p>
        Every lesson, plan, log, picture, piece and sound goes with it, and there is no way back.
        Save the file first if somebody may ask for it.
      </p>
      <TextInput
        label={`Type ${name} to erase`}
        value={typed}
        onChange={(event) => setTyped(event.currentTarget.value)}
        data-autofocus
      />
      {erase.error && <p role="alert">{erase.error.message}</p>}
      <Button type="submit" disabled={typed.trim() !== name} loading={erase.isPending}>
        Erase for good
      </Button>
    </form>
  );
}
