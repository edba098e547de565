import { Button, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation } from 'wouter';

import { client, unwrapEmpty } from '../api/client';
import css from './Erase.module.css';

/** The last question before a player and all their records go. */
export function Erase({ id, name }: { id: number; name: string }) {
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
