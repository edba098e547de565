import { Button, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation } from 'wouter';

import { client, type Schemas, unwrap } from '../api/client';
import { Copies } from '../components/Copies';
import css from './Erase.module.css';
import * as say from '../messages/compiled/player';

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
      <p>{say.everyLessonPlanLogPicture()}</p>
      <TextInput
        label={say.typeToErase({ name })}
        value={typed}
        onChange={(event) => setTyped(event.currentTarget.value)}
        data-autofocus
      />
      {erase.error && <p role="alert">{erase.error.message}</p>}
      <Button type="submit" disabled={typed.trim() !== name} loading={erase.isPending}>
        {say.eraseForGood()}
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
        {told.is_gone_from_log
          ? say.isErasedNothingIsLeft({ name })
          : say.isErasedTheLastTraces({ name })}
      </p>
      <Copies days={told.copies} />
      <p className="quiet">{say.backupsAndPlayerFilesThat()}</p>
      <Button onClick={onLeave} data-autofocus>
        {say.toYourDay()}
      </Button>
    </div>
  );
}
