import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { type Entry, EntryQueue, type QueueState } from '../api/entryQueue';
import { newKey } from '../api/newKey';

export type Week = Schemas['HomeOut'];
export type DayLog = Schemas['HomeDayOut'];

export interface HomeHandle {
  week: Week;
  queue: QueueState;
  /** Paused by the teacher's side, or by a log that is still on its way there. */
  stopped: boolean;
  log: (day: DayLog) => void;
}

/** The week behind the link, with days that were logged here and are still to be sent. */
export function useHome(token: string): HomeHandle | { error: string } | null {
  const [week, setWeek] = useState<Week | null>(null);
  const [error, setError] = useState<string | null>(null);
  const path = useMemo(() => ({ path: { token } }), [token]);
  const queue = useMemo(
    () =>
      new EntryQueue<Week>({
        send: async (entry) =>
          unwrap(
            await client.POST('/api/home/{token}/days', {
              params: path,
              body: entry.value as Schemas['HomeDayIn'],
            }),
          ),
        onAnswer: setWeek,
        onRefused: () => undefined,
        storage: globalThis.localStorage,
        storageKey: `jolf.home.${token}`,
        network: window,
      }),
    [path, token],
  );
  const state = useSyncExternalStore(queue.subscribe, queue.snapshot);
  useEffect(() => {
    client
      .GET('/api/home/{token}', { params: path })
      .then((answer) => setWeek(unwrap(answer)))
      .catch((problem: unknown) =>
        setError(
          problem instanceof ApiError
            ? problem.message
            : 'No network, and this week has not been opened here before.',
        ),
      );
  }, [path]);
  const log = useCallback(
    (day: DayLog) => queue.push({ clientKey: newKey(), kind: 'day', key: day.date, value: day }),
    [queue],
  );
  if (week === null) return error === null ? null : { error };
  const pending = queue.pending();
  return {
    week: withLogs(week, pending),
    queue: state,
    stopped: week.paused || pending.some((entry) => isStop(entry.value as DayLog)),
    log,
  };
}

/** The week as it will look when the waiting logs have arrived. */
export function withLogs(week: Week, entries: readonly Entry[]): Week {
  return entries.reduce((now, entry) => {
    const log = entry.value as DayLog;
    const others = now.days.filter((day) => day.date !== log.date);
    return { ...now, days: [...others, log] };
  }, week);
}

const STOP_PAIN = 4;

/** A log after which one stops and asks: pain of four or more, or a sign. */
export function isStop(log: DayLog): boolean {
  return log.pain >= STOP_PAIN || log.signs.length > 0;
}
