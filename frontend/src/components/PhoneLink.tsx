import { Button, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { client, unwrap } from '../api/client';
import { linkQuery } from '../api/queries';
import { Dialog } from './Dialog';
import css from './PhoneLink.module.css';
import { SureButton } from './SureButton';
import touch from './touch.module.css';
import * as say from '../messages/compiled/components';
import { Rich } from '../messages/Rich';

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
    mutationFn: async ({ anew }: { anew: boolean }) =>
      unwrap(
        await client.POST('/api/lessons/{lesson_id}/link', {
          params: { ...params, query: { anew } },
        }),
      ),
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
          if (address === null) make.mutate({ anew: false });
        }}
      >
        {say.forThePhone()}
      </button>
      <Dialog opened={opened} onClose={() => setOpened(false)} title={say.theWeekOnThePhone()}>
        {problem && <p role="alert">{problem.message}</p>}
        {address === null ? (
          <div className={css.link}>
            <p>{say.thereIsNoLinkIn()}</p>
            <Button onClick={() => make.mutate({ anew: false })}>{say.makeALink()}</Button>
          </div>
        ) : (
          <div className={css.link}>
            <p>{say.pointThePhonesCameraAt()}</p>
            {query.data?.is_local && (
              <p>
                <Rich
                  says={say.thisAddressWorksOnThis()}
                  as={{
                    code: (words) => <code>{words}</code>,
                  }}
                />
              </p>
            )}
            <div
              className={css.code}
              role="img"
              aria-label={say.theAddressAsACode()}
              // Drawn by our own server from its own address.
              dangerouslySetInnerHTML={{ __html: query.data?.code ?? '' }}
            />
            <TextInput
              label={say.address()}
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
                {say.openItHere()}
              </Button>
              <Endings
                isBusy={make.isPending || revoke.isPending}
                onRenew={() => make.mutate({ anew: true })}
                onEnd={() => revoke.mutate()}
              />
            </div>
          </div>
        )}
      </Dialog>
    </>
  );
}

interface EndingsProps {
  isBusy: boolean;
  onRenew: () => void;
  onEnd: () => void;
}

/** What ends the address that a family has: each asks once more. */
function Endings({ isBusy, onRenew, onEnd }: EndingsProps) {
  return (
    <>
      <SureButton sure={say.yesEndTheOldOne()} isBusy={isBusy} onSure={onRenew}>
        {say.newAddress()}
      </SureButton>
      <SureButton sure={say.yesEndIt()} isBusy={isBusy} onSure={onEnd}>
        {say.endThisLink()}
      </SureButton>
    </>
  );
}
