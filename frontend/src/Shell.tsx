import { useMantineColorScheme } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useEffect, useState } from 'react';
import { Link, useRoute } from 'wouter';

import { client } from './api/client';
import { forgetAllEdits } from './letters/edited';
import { sessionQuery } from './api/queries';
import { adoptOldEntries } from './outbox/adopt';
import { studioOutbox } from './outbox/studio';
import { LazySignIn } from './signin/LazySignIn';
import { SignInAgain } from './signin/SignInAgain';
import { Mark } from './components/Mark';
import { Problem } from './components/Problem';
import { Sign } from './components/Sign';
import css from './Shell.module.css';
import { letLettersAct } from './components/useKeys';
import { Undelivered } from './components/Undelivered';

const VIEWS = [
  ['/class', 'Class'],
  ['/library', 'Library'],
  ['/desk', 'Desk'],
] as const;

/** The frame of every page: the mark, the way home, and the sign-in when it is needed. */
export function Shell({ children }: { children: ReactNode }) {
  const session = useQuery(sessionQuery);
  // A lesson and a class have a head of their own, with the way back in it.
  const [isLesson] = useRoute('/lessons/:lessonId');
  const [isSweep] = useRoute('/class/:groupId');
  const [isToday] = useRoute('/');
  const hasHead = isLesson || isSweep;
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
        Skip to the page
      </a>
      {!(hasHead && known) && (
        <header className={`${css.bar} no-print`}>
          <Link href="/" className={css.mark} aria-label="Jolf, today">
            <Mark size={28} />
            <span>Jolf</span>
          </Link>
          <div className={css.right}>
            {known && <Undelivered />}
            {known && (
              <nav aria-label="Views">
                {VIEWS.map(([address, words]) => (
                  <Link key={address} href={address} className={css.view}>
                    {words}
                  </Link>
                ))}
              </nav>
            )}
            <SchemeButton />
            {known && <SignOutButton name={known.name} />}
          </div>
        </header>
      )}
      <main id="main" className={hasHead || (isToday && known) ? undefined : css.main}>
        {known ? children : <LazySignIn />}
      </main>
      {known && <SignInAgain owner={known} isOut={now === null} />}
    </>
  );
}

function SchemeButton() {
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  const dark =
    colorScheme === 'dark' ||
    (colorScheme === 'auto' && window.matchMedia('(prefers-color-scheme: dark)').matches);
  return (
    <button
      type="button"
      className={css.view}
      aria-label={dark ? 'Light page' : 'Dark page'}
      onClick={() => setColorScheme(dark ? 'light' : 'dark')}
    >
      <Sign name={dark ? 'sun' : 'moon'} size={22} />
    </button>
  );
}

function SignOutButton({ name }: { name: string }) {
  const cache = useQueryClient();
  return (
    <button
      type="button"
      className={css.view}
      onClick={() => {
        void client.POST('/api/session/sign-out').then(() => {
          forgetAllEdits();
          cache.clear();
          window.location.assign('/');
        });
      }}
    >
      <span className={css.who}>{name},&nbsp;</span>sign out
    </button>
  );
}
