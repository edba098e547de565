import { Button, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, problemWords, unwrap } from '../api/client';
import { keptQuery } from '../api/queries';
import css from './AskLeave.module.css';
import { WordChoice } from './WordChoice';

const BY = [
  { id: 'parent', words: 'a parent' },
  { id: 'player', words: 'the player' },
] as const;
const WHAT = { picture: 'pictures of the hand', sound: 'sounds of the playing' };

type LeaveKind = keyof typeof WHAT;

/** Whether an answer says that nobody has given leave yet. */
export function needsLeave(error: Error | null): boolean {
  return error instanceof ApiError && error.code === 'leave_needed';
}

interface Props {
  playerId: number;
  kind: LeaveKind;
  onGiven: () => void;
}

/** Before the first picture or sound is kept: who has said yes. */
export function AskLeave({ playerId, kind, onGiven }: Props) {
  const [by, setBy] = useState<(typeof BY)[number]['id']>('parent');
  const [name, setName] = useState('');
  const cache = useQueryClient();
  const give = useMutation({
    mutationFn: async () =>
      unwrap(
        await client.POST('/api/players/{player_id}/leave', {
          params: { path: { player_id: playerId } },
          body: { kind, by, name },
        }),
      ),
    onSuccess: (kept) => {
      cache.setQueryData(keptQuery(playerId).queryKey, kept);
      onGiven();
    },
  });
  return (
    <form
      className={css.asked}
      aria-label="Leave to keep it"
      onSubmit={(event) => {
        event.preventDefault();
        give.mutate();
      }}
    >
      <p>
        <strong>Before the first is kept: who has said yes to keeping {WHAT[kind]}?</strong> Your
        local rules say whom to ask. It can be withdrawn at any time, and all of it is erased then.
      </p>
      <WordChoice label="Who said yes" choices={BY} chosen={by} onChoose={setBy} />
      <TextInput
        label="Name of who said yes"
        maxLength={80}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      {give.error && <p role="alert">{problemWords(give.error)}</p>}
      <Button type="submit" loading={give.isPending}>
        Note it and keep
      </Button>
    </form>
  );
}
