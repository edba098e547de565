import { useCallback, useEffect, useMemo, useState } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { newKey } from '../api/newKey';
import { adoptOldEntries } from '../outbox/adopt';
import type { KeptEntry } from '../outbox/entry';
import { localDate } from '../outbox/localDate';
import { Outbox, type OutboxState } from '../outbox/outbox';
import { useOutbox } from '../outbox/useOutbox';
import { forgetKept } from './offline';
import { useTakeBack } from './useTakeBack';
import { type DayLog, isStop, type Week, type WeekNow, weekNow } from './weekNow';

export interface HomeHandle {
  week: WeekNow;
  queue: OutboxState;
  log: (day: DayLog) => void;
  /** When pain of a day was still there: next_day, rest, night; [] for not. */
  answerLater: (date: string, times: string[]) => void;
  /** Takes back a stop that was tapped a moment ago; null when it is too late for that. */
  takeBack: (() => void) | null;
  tryAgain: (entry: KeptEntry) => void;
  throwAway: (entry: KeptEntry) => void;
}

const EVERY_MINUTE = 60_000;
const ENDED = [404, 410];
const NOT_HERE = 'No network, and this week has not been opened here before.';
const OVER = 'This week is over. Ask your teacher for the new one.';
// Whoever holds the device; each week has a channel of its own.
const OWNER = 'home';

/** The week behind the link, with days that were logged here and are still to be sent. */
export function useHome(token: string): HomeHandle | { error: string; kept: number } | null {
  const [week, setWeek] = useState<Week | null>(null);
  const [error, setError] = useState<string | null>(null);
  const channel = `home/${token}`;
  const outbox = useMemo(() => makeOutbox(channel, setWeek), [channel]);
  const state = useOutbox(outbox);
  const today = useToday();

  useEffect(() => {
    const stop = outbox.start(OWNER);
    adoptOldEntries(
      localStorage,
      (old) => old.startsWith('home/'),
      (old, entry) => outbox.push(old, entry),
    );
    client
      .GET('/api/home/{token}', { params: { path: { token } } })
      .then((answer) => setWeek(unwrap(answer)))
      .catch((problem: unknown) => {
        if (problem instanceof ApiError && ENDED.includes(problem.status)) void forgetKept(token);
        setError(problem instanceof ApiError ? problem.message : NOT_HERE);
      });
    return stop;
  }, [outbox, channel, token]);

  const { remember, takeBack } = useTakeBack(outbox, channel);
  // On the day of a lesson two weeks meet: the log says which of them it is of.
  const givenOn = week?.given_on ?? null;
  const log = useCallback(
    (day: DayLog) => {
      const clientKey = newKey();
      if (isStop(day)) remember(clientKey);
      const value = { ...day, given_on: givenOn };
      outbox.push(channel, { clientKey, kind: 'day', key: day.date, value });
    },
    [outbox, channel, remember, givenOn],
  );
  const answerLater = useCallback(
    (date: string, times: string[]) => {
      const clientKey = newKey();
      if (times.length > 0) remember(clientKey);
      outbox.push(channel, { clientKey, kind: 'later', key: date, value: times });
    },
    [outbox, channel, remember],
  );
  const isOver = week !== null && today > week.open_until;
  useEffect(() => {
    if (isOver) void forgetKept(token);
  }, [isOver, token]);
  if (isOver) return { error: OVER, kept: state.waiting.length };
  if (week === null) return error === null ? null : { error, kept: state.waiting.length };
  const mine = state.waiting.filter((entry) => entry.channel === channel);
  return {
    week: weekNow(week, mine, today),
    queue: state,
    log,
    answerLater,
    takeBack,
    tryAgain: (entry) => outbox.tryAgain(entry),
    throwAway: (entry) => outbox.throwAway(entry),
  };
}

/** Sends what was logged on this device, of earlier weeks too, whatever week is open now. */
function makeOutbox(channel: string, onWeek: (week: Week) => void): Outbox {
  return new Outbox({
    send,
    onAnswer: (entry, week) => {
      if (entry.channel === channel) onWeek(week as Week);
    },
    onStale: () => undefined,
    whoIsHere: () => Promise.resolve(OWNER),
    storage: globalThis.localStorage,
    window: globalThis.window,
    locks: (globalThis.navigator as Partial<Navigator>).locks,
    holds: (_, error) => ENDED.includes(error.status),
  });
}

async function send({ channel, clientKey, kind, key, value }: KeptEntry): Promise<Week> {
  const params = { path: { token: channel.slice('home/'.length) } };
  if (kind === 'later') {
    const body = { client_key: clientKey, date: key, times: value as string[] };
    return unwrap(await client.POST('/api/home/{token}/later', { params, body }));
  }
  if (kind === 'take-back') {
    const body = { client_key: key, seconds: value as number };
    return unwrap(await client.POST('/api/home/{token}/take-back', { params, body }));
  }
  const body = { ...(value as Schemas['HomeDayIn']), client_key: clientKey };
  return unwrap(await client.POST('/api/home/{token}/days', { params, body }));
}

/** The date on this device; the page may stay open over midnight. */
function useToday(): string {
  const [today, setToday] = useState(() => localDate(new Date()));
  useEffect(() => {
    const timer = setInterval(() => setToday(localDate(new Date())), EVERY_MINUTE);
    return () => clearInterval(timer);
  }, []);
  return today;
}
