import '@mantine/core/styles/Checkbox.css';

import { Button, Checkbox, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation } from 'wouter';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { todayQuery } from '../api/queries';
import { Dialog } from '../components/Dialog';
import { INSTRUMENT_WORDS } from '../words/words';
import css from './GroupDialog.module.css';
import * as say from '../messages/compiled/class';

interface Props {
  opened: boolean;
  onClose: () => void;
  /** The group to change; null makes a new one. */
  group: Schemas['GroupOut'] | null;
}

/** Name and players of a group. */
export function GroupDialog({ opened, onClose, group }: Props) {
  return (
    <Dialog opened={opened} onClose={onClose} title={group ? say.changeTheGroup() : say.newGroup()}>
      <GroupForm group={group} onClose={onClose} />
    </Dialog>
  );
}

function GroupForm({ group, onClose }: Omit<Props, 'opened'>) {
  const [name, setName] = useState(group?.name ?? '');
  const [players, setPlayers] = useState(group?.players ?? []);
  const day = useQuery(todayQuery);
  const cache = useQueryClient();
  const [, navigate] = useLocation();
  const forget = () =>
    Promise.all(['groups', 'group'].map((k) => cache.invalidateQueries({ queryKey: [k] })));
  const save = useMutation({
    mutationFn: async () => {
      const body = { name, players };
      return unwrap(
        group
          ? await client.POST('/api/groups/{group_id}', {
              params: { path: { group_id: group.id } },
              body,
            })
          : await client.POST('/api/groups', { body }),
      );
    },
    onSuccess: async (saved) => {
      await forget();
      onClose();
      navigate(`/class/${saved.id}`);
    },
  });
  const remove = useMutation({
    mutationFn: async (id: number) =>
      client.DELETE('/api/groups/{group_id}', { params: { path: { group_id: id } } }),
    onSuccess: async () => {
      navigate('/class');
      await forget();
    },
  });
  const everybody = [...(day.data?.rows ?? [])].sort((a, b) =>
    a.player.name.localeCompare(b.player.name),
  );
  return (
    <form
      className={css.form}
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <TextInput
        label={say.nameOfTheGroup()}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
        maxLength={80}
        data-autofocus
      />
      {save.error && (
        <p role="alert">
          {save.error instanceof ApiError
            ? (save.error.fields[0]?.problem ?? save.error.message)
            : save.error.message}
        </p>
      )}
      <Checkbox.Group
        label={say.players()}
        value={players.map(String)}
        onChange={(chosen) => setPlayers(chosen.map(Number))}
      >
        <div className={css.players}>
          {everybody.map(({ player }) => (
            <Checkbox
              key={player.id}
              value={String(player.id)}
              size="md"
              label={`${player.name}, ${INSTRUMENT_WORDS[player.instrument] ?? ''}`}
            />
          ))}
        </div>
      </Checkbox.Group>
      <div className={css.actions}>
        <Button type="submit" loading={save.isPending}>
          {say.keep()}
        </Button>
        {group && (
          <Button variant="subtle" onClick={() => remove.mutate(group.id)}>
            {say.removeTheGroupPlayersAnd()}
          </Button>
        )}
      </div>
    </form>
  );
}
