import { Button, Textarea } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { Dialog } from './Dialog';
import * as say from '../messages/compiled/components';

interface Props {
  playerId: number;
  /** The stop that stands before the teacher; what was raised since stays up. */
  stop: Schemas['FlagOut'];
}

/** Lifting a red flag asks for a note; the date is today's. */
export function LiftFlag({ playerId, stop }: Props) {
  const [opened, setOpened] = useState(false);
  const [note, setNote] = useState('');
  const cache = useQueryClient();
  const lift = useMutation({
    mutationFn: async () =>
      unwrap(
        await client.POST('/api/players/{player_id}/lift-flag', {
          params: { path: { player_id: playerId } },
          body: { note, reasons: stop.reason_ids },
        }),
      ),
    onSuccess: async () => {
      setOpened(false);
      setNote('');
      await cache.invalidateQueries();
    },
  });
  const problem = lift.error instanceof ApiError ? lift.error.fields[0]?.problem : undefined;
  return (
    <>
      <Button variant="default" onClick={() => setOpened(true)}>
        {say.liftWithANote()}
      </Button>
      <Dialog opened={opened} onClose={() => setOpened(false)} title={say.liftTheStop()}>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            lift.mutate();
          }}
        >
          <p>{say.liftedForTheTwoWeeks({ reasons: stop.reasons.join('; ') })}</p>
          <Textarea
            label={say.whatHasChangedAndWho()}
            placeholder={say.seenByAPhysiotherapistMay()}
            value={note}
            onChange={(event) => setNote(event.currentTarget.value)}
            error={lift.error ? (problem ?? lift.error.message) : undefined}
            autosize
            minRows={3}
            data-autofocus
          />
          <Button type="submit" mt="md" loading={lift.isPending}>
            {say.liftTheStop()}
          </Button>
        </form>
      </Dialog>
    </>
  );
}
