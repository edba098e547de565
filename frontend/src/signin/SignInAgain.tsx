import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';

import type { Schemas } from '../api/client';
import { Dialog } from '../components/Dialog';
import { studioOutbox } from '../outbox/studio';
import { useOutbox } from '../outbox/useOutbox';
import { LazySignInForm } from './LazySignIn';
import * as say from '../messages/compiled/signin';

interface Props {
  owner: Schemas['TeacherOut'];
  isOut: boolean;
}

/** Over the page when the session has ended: sign in here, and what was entered goes on. */
export function SignInAgain({ owner, isOut }: Props) {
  const cache = useQueryClient();
  const { waiting } = useOutbox(studioOutbox);
  const wasOut = useRef(false);
  useEffect(() => {
    const isBack = wasOut.current && !isOut;
    wasOut.current = isOut;
    if (!isBack) return;
    studioOutbox.start(owner.key);
    void cache.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
  }, [isOut, owner.key, cache]);
  const kept = waiting.length === 1 ? say.oneEntryIs() : say.entriesAre({ count: waiting.length });
  return (
    <Dialog opened={isOut} onClose={() => undefined} title={say.youWereSignedOut()} isFirm>
      <p>{waiting.length > 0 ? say.keptHereAndWillBe({ kept }) : say.signInToGoOn()}</p>
      <LazySignInForm name={owner.username} />
    </Dialog>
  );
}
