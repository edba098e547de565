import { useCallback, useEffect, useRef, useState } from 'react';

import { ApiError, client, unwrap } from '../api/client';
import { forgetKept } from './offline';
import type { Week } from './weekNow';
import * as say from '../messages/compiled/home';

const ENDED = [404, 410];
const NOT_HERE = say.noNetworkAndThisWeek();
const LINK_ENDED = say.thisLinkHasEndedAsk();
/** Set by the worker on a week that it had kept. */
const KEPT = 'X-Jolf-Kept';
/** ms until a week that could not be read is asked for again; the last holds from then on. */
const AGAIN = [4_000, 15_000, 60_000];
/** ms after which a page that is looked at again reads its week anew. */
const FRESH = 30_000;

export interface NotRead {
  words: string;
  /** True for a link that is in use no more. */
  ended: boolean;
}

/** Whether an answer says that its link is in use no more. */
export function hasEnded(problem: unknown): boolean {
  return problem instanceof ApiError && ENDED.includes(problem.status);
}

/**
 * The week behind the link: read when the page opens, when it is looked at again and when the network is back. A week that was
 * only kept on this device, or was not to be had, is asked for again; until then it stays as it was. `whose`: of the week
 * that came from the server.
 */
export function useWeek(token: string) {
  const [week, setWeek] = useState<Week | null>(null);
  const [whose, setWhose] = useState<string | null>(null);
  const [error, setError] = useState<NotRead | null>(null);
  // What was told meanwhile is newer than what was asked for before it.
  const told = useRef(0);
  const tell = useCallback((found: Week) => {
    told.current += 1;
    setWeek(found);
  }, []);

  useEffect(() => {
    let isGone = false;
    let readAt = 0;
    let tries = 0;
    let timer: ReturnType<typeof setTimeout> | undefined;

    const later = () => {
      timer = setTimeout(read, AGAIN[Math.min(tries, AGAIN.length - 1)]);
      tries += 1;
    };
    function read() {
      clearTimeout(timer);
      const before = told.current;
      client
        .GET('/api/home/{token}', { params: { path: { token } } })
        .then((answer) => {
          const found = unwrap(answer);
          if (isGone) return;
          if (told.current === before) setWeek(found);
          if (answer.response.headers.has(KEPT)) {
            later();
            return;
          }
          readAt = Date.now();
          tries = 0;
          setWhose(found.whose);
        })
        .catch((problem: unknown) => {
          if (isGone) return;
          if (hasEnded(problem)) {
            void forgetKept(token);
            setWeek(null);
            setError({ words: LINK_ENDED, ended: true });
            return;
          }
          const words = problem instanceof ApiError ? problem.message : NOT_HERE;
          setError({ words, ended: false });
          later();
        });
    }
    const look = () => {
      if (document.visibilityState === 'visible' && Date.now() - readAt > FRESH) read();
    };
    read();
    window.addEventListener('online', read);
    document.addEventListener('visibilitychange', look);
    return () => {
      isGone = true;
      clearTimeout(timer);
      window.removeEventListener('online', read);
      document.removeEventListener('visibilitychange', look);
    };
  }, [token]);

  return { week, whose, error, tell };
}
