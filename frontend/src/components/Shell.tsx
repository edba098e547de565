import { ActionIcon, Button, useMantineColorScheme } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { IconMoon, IconSun } from '@tabler/icons-react';
import { Link, Outlet } from 'react-router';

import { client } from '../api/client';
import { sessionQuery } from '../api/queries';
import { SignIn } from '../signin/SignIn';
import { Problem } from './Problem';
import css from './Shell.module.css';

/** The frame of every page: the mark, the way home, and the sign-in when it is needed. */
export function Shell() {
  const session = useQuery(sessionQuery);
  if (session.error) {
    return <Problem error={session.error} onRetry={() => void session.refetch()} />;
  }
  if (!session.data) return null;
  const { teacher } = session.data;
  return (
    <>
      <a className={css.skip} href="#main">
        Skip to the page
      </a>
      <header className={`${css.bar} no-print`}>
        <Link to="/" className={css.mark} aria-label="Jolf, today">
          <img src="/static/mark.svg" alt="" width={28} height={28} />
          <span>Jolf</span>
        </Link>
        <div className={css.right}>
          {teacher && (
            <nav aria-label="Views">
              <Button component={Link} to="/class" variant="subtle">
                Class
              </Button>
              <Button component={Link} to="/library" variant="subtle">
                Library
              </Button>
              <Button component={Link} to="/desk" variant="subtle">
                Desk
              </Button>
            </nav>
          )}
          <SchemeButton />
          {teacher && <SignOutButton name={teacher.name} />}
        </div>
      </header>
      <main id="main" className={css.main}>
        {teacher ? <Outlet /> : <SignIn />}
      </main>
    </>
  );
}

function SchemeButton() {
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  const dark =
    colorScheme === 'dark' ||
    (colorScheme === 'auto' && window.matchMedia('(prefers-color-scheme: dark)').matches);
  return (
    <ActionIcon
      size={44}
      variant="subtle"
      aria-label={dark ? 'Light page' : 'Dark page'}
      onClick={() => setColorScheme(dark ? 'light' : 'dark')}
    >
      {dark ? <IconSun size={22} /> : <IconMoon size={22} />}
    </ActionIcon>
  );
}

function SignOutButton({ name }: { name: string }) {
  const cache = useQueryClient();
  return (
    <Button
      variant="subtle"
      onClick={() => {
        void client.POST('/api/session/sign-out').then(() => {
          cache.clear();
          window.location.assign('/');
        });
      }}
    >
      <span className={css.who}>{name},&nbsp;</span>sign out
    </Button>
  );
}
