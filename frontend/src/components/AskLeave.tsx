import { Button, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, problemWords, unwrap } from '../api/client';
import { keptQuery } from '../api/queries';
import css from './AskLeave.module.css';
import { WordChoice } from './WordChoice';
import * as say from '../messages/compiled/components';
import { Rich } from '../messages/Rich';

const BY = [
  { id: 'parent', words: say.parentOf() },
  { id: 'player', words: say.thePlayer() },
] as const;
const WHAT = { picture: say.picturesOfTheHand(), sound: say.soundsOfThePlaying() };

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
      aria-label={say.leaveToKeepIt()}
      onSubmit={(event) => {
        event.preventDefault();
        give.mutate();
      }}
    >
      <p>
        <Rich says={say.beforeTheFirstIsKept({ kind: WHAT[kind] })} />
      </p>
      <WordChoice label={say.whoSaidYes()} choices={BY} chosen={by} onChoose={setBy} />
      <TextInput
        label={say.nameOfWhoSaidYes()}
        maxLength={80}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      {give.error && <p role="alert">{problemWords(give.error)}</p>}
      <Button type="submit" loading={give.isPending}>
        {say.noteItAndKeep()}
      </Button>
    </form>
  );
}
