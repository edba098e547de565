import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useEffect, useState } from 'react';

import { sessionQuery } from './api/queries';
import { adoptOldEntries } from './outbox/adopt';
import { studioOutbox } from './outbox/studio';
import { LazySignIn } from './signin/LazySignIn';
import { SignInAgain } from './signin/SignInAgain';
import { InLine } from './components/InLine';
import { Mark } from './components/Mark';
import { Problem } from './components/Problem';
import css from './Shell.module.css';
import { letLettersAct } from './components/useKeys';
import { SchemeButton } from './components/SchemeButton';
import * as say from './messages/compiled/shell';

/** Around every page: the sign-in where it is needed, what waits to be sent, the teacher's ways. */
export function Shell({ children }: { children: ReactNode }) {
  const session = useQuery(sessionQuery);
  const now = session.data?.teacher ?? null;
  const [known, setKnown] = useState(now);
  // Who was here stays shown when the session ends, so that nothing on the page is lost.
  if (now !== null && known === null) setKnown(now);
  const isAnother = now !== null && known !== null && now.key !== known.key;
  useEffect(() => {
    // Nothing of one teacher may stay on the page of another.
    if (isAnother) window.location.assign('/');
  }, [isAnother]);
  const letters = now?.letter_keys;
  useEffect(() => {
    if (letters !== undefined) letLettersAct(letters);
  }, [letters]);
  const tone = now?.hand_tone ?? 'outline';
  useEffect(() => {
    document.documentElement.dataset.handTone = tone;
  }, [tone]);
  const owner = known?.key ?? null;
  useEffect(() => {
    if (owner === null) return undefined;
    const stop = studioOutbox.start(owner);
    adoptOldEntries(
      localStorage,
      (channel) => !channel.startsWith('home/'),
      (channel, entry) => studioOutbox.push(channel, entry),
    );
    return stop;
  }, [owner]);
  if (session.error && known === null) {
    return <Problem error={session.error} onRetry={() => void session.refetch()} />;
  }
  if (!session.data || isAnother) return null;
  return (
    <>
      <a className={css.skip} href="#main">
        {say.skipToThePage()}
      </a>
      {known === null && (
        <header className={css.bar}>
          <Mark size={28} />
          <span>{say.jolf()}</span>
          <SchemeButton />
        </header>
      )}
      <main id="main">{known ? children : <LazySignIn />}</main>
      {known && <InLine />}
      {known && <SignInAgain owner={known} isOut={now === null} />}
    </>
  );
}
