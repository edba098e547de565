import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link, useLocation } from 'wouter';

import { client } from '../api/client';
import { sessionQuery } from '../api/queries';
import { forgetAllEdits } from '../outbox/letterEdits';
import { HomeMark } from './HomeMark';
import { KeysHere } from './KeysHere';
import css from './PageHead.module.css';
import { SchemeButton } from './SchemeButton';
import { Undelivered } from './Undelivered';
import { useKeys } from './useKeys';
import { usePageTitle } from './usePageTitle';
import * as say from '../messages/compiled/components';
import { Rich } from '../messages/Rich';

const VIEWS = [
  ['/class', say.classWord()],
  ['/library', say.library()],
  ['/desk', say.desk()],
] as const;

interface Props {
  title: string;
  /** What the tab of the browser says where that is not the title. */
  tab?: string;
  /** In a few words, who or what it is about. */
  about?: ReactNode;
  /** Where the title leads. */
  href?: string;
  /** What is shown could not be asked for again: it stays as it was. */
  isOld?: boolean;
}

/** The head of every page outside a lesson: the way home, what the page is, the other views. */
export function PageHead({ title, tab, about, href, isOld = false }: Props) {
  usePageTitle(tab ?? title);
  const session = useQuery(sessionQuery);
  const [path, navigate] = useLocation();
  useKeys({ '/': path === '/' || path === '/library' ? undefined : () => navigate('/library') });
  return (
    <header className={`${css.head} no-print`}>
      <HomeMark />
      <div className={css.title}>
        <h1>{href ? <Link href={href}>{title}</Link> : title}</h1>
        {about && <span>{about}</span>}
        {/* There from the start, so that it is heard when it comes. */}
        <em role="status">{isOld && say.asItWasNoConnection()}</em>
      </div>
      <div className={css.views}>
        <Undelivered />
        <nav aria-label={say.views()}>
          {VIEWS.map(([address, words]) => (
            <Link
              key={address}
              href={address}
              className={css.view}
              aria-current={path === address ? 'page' : undefined}
            >
              {words}
            </Link>
          ))}
        </nav>
        <KeysHere here={partOf(path)} />
        <SchemeButton />
        {session.data?.teacher && <SignOutButton name={session.data.teacher.name} />}
      </div>
    </header>
  );
}

const PARTS: [string, string][] = [
  ['/pieces/', say.piece()],
  ['/players/', say.player()],
  ['/library', say.library()],
  ['/sheet', say.sheet()],
];

/** The name of the page's keys in the list of them; null where it has none of its own. */
function partOf(path: string): string | null {
  if (path === '/') return say.today();
  return PARTS.find(([part]) => path.includes(part))?.[1] ?? null;
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
      <Rich
        says={say.signOut({ name })}
        as={{ span: (words) => <span className={css.who}>{words}</span> }}
      />
    </button>
  );
}
