import { Button, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { client, unwrap } from '../api/client';
import { linkQuery } from '../api/queries';
import { Dialog } from './Dialog';
import css from './PhoneLink.module.css';
import touch from './touch.module.css';

/** The private link of a player: a code for the phone's camera, the address, and ways to end it. */
export function PhoneLink({
  lessonId,
  opensAtOnce = false,
}: {
  lessonId: number;
  opensAtOnce?: boolean;
}) {
  const [opened, setOpened] = useState(opensAtOnce);
  const cache = useQueryClient();
  const query = useQuery(linkQuery(lessonId));
  const params = { path: { lesson_id: lessonId } };
  const keep = (link: typeof query.data) => cache.setQueryData(linkQuery(lessonId).queryKey, link);
  const make = useMutation({
    mutationFn: async () => unwrap(await client.POST('/api/lessons/{lesson_id}/link', { params })),
    onSuccess: keep,
  });
  const revoke = useMutation({
    mutationFn: async () =>
      unwrap(await client.DELETE('/api/lessons/{lesson_id}/link', { params })),
    onSuccess: keep,
  });
  const address = query.data?.address ?? null;
  const problem = make.error ?? revoke.error;
  return (
    <>
      <button
        type="button"
        className={touch.word}
        disabled={make.isPending}
        onClick={() => {
          setOpened(true);
          if (address === null) make.mutate();
        }}
      >
        For the phone
      </button>
      <Dialog opened={opened} onClose={() => setOpened(false)} title="The week on the phone">
        {problem && <p role="alert">{problem.message}</p>}
        {address === null ? (
          <div className={css.link}>
            <p>There is no link in use.</p>
            <Button onClick={() => make.mutate()}>Make a link</Button>
          </div>
        ) : (
          <div className={css.link}>
            <p>
              Point the phone&rsquo;s camera at it, or copy the address. Whoever has it sees the
              first name, the exercises and the music, nothing else. It shows the newest week, until
              you end it or eight weeks after the last lesson. A new address ends the old one, and
              what still waits on a phone under it.
            </p>
            {query.data?.is_local && (
              <p>
                <strong>This address works on this computer only.</strong> Start Jolf with{' '}
                <code>serve --network</code> so that phones in the same network reach it.
              </p>
            )}
            <div
              className={css.code}
              role="img"
              aria-label="The address as a code for the camera"
              // Drawn by our own server from its own address.
              dangerouslySetInnerHTML={{ __html: query.data?.code ?? '' }}
            />
            <TextInput
              label="Address"
              readOnly
              value={address}
              onFocus={(event) => event.currentTarget.select()}
            />
            <div className={css.actions}>
              <Button
                variant="default"
                component="a"
                href={address}
                target="_blank"
                rel="noreferrer"
              >
                Open it here
              </Button>
              <Button variant="subtle" onClick={() => make.mutate()}>
                New address
              </Button>
              <Button variant="subtle" onClick={() => revoke.mutate()}>
                End this link
              </Button>
            </div>
          </div>
        )}
      </Dialog>
    </>
  );
}
