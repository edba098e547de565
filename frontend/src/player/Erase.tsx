import { Button, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation } from 'wouter';

import { client, type Schemas, unwrap } from '../api/client';
import { Copies } from '../components/Copies';
import css from './Erase.module.css';

interface Props {
  id: number;
  name: string;
  /** What leaves the page of a player who is there no more. */
  onErased: (leave: () => void) => void;
}

/** The last question before a player and all their records go. */
export function Erase({ id, name, onErased }: Props) {
  const [typed, setTyped] = useState('');
  const cache = useQueryClient();
  const [, navigate] = useLocation();
  const erase = useMutation({
    mutationFn: async () => {
      const params = { path: { player_id: id }, query: { name: typed } };
      return unwrap(await client.DELETE('/api/players/{player_id}', { params }));
    },
    onSuccess: () => onErased(leave),
  });
  function leave() {
    navigate('/');
    cache.removeQueries({ queryKey: ['player', id] });
    void cache.invalidateQueries();
  }
  if (erase.data) return <Erased name={name} told={erase.data} onLeave={leave} />;
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

interface ErasedProps {
  name: string;
  told: Schemas['ErasedOut'];
  onLeave: () => void;
}

/** What is gone, and what still holds it. */
function Erased({ name, told, onLeave }: ErasedProps) {
  return (
    <div className={css.form}>
      <p role="status">
        {name} is erased.{' '}
        {told.is_gone_from_log
          ? 'Nothing is left in this studio.'
          : 'The last traces go as soon as nobody else is reading; you need do nothing.'}
      </p>
      <Copies days={told.copies} />
      <p className="quiet">
        Backups and player files that you have put elsewhere are yours to remove.
      </p>
      <Button onClick={onLeave} data-autofocus>
        To your day
      </Button>
    </div>
  );
}
