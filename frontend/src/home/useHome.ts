import { useCallback, useEffect, useMemo, useState } from 'react';

import { client, type Schemas, unwrap } from '../api/client';
import { newKey } from '../api/newKey';
import { adoptOldEntries } from '../outbox/adopt';
import type { KeptEntry } from '../outbox/entry';
import { localDate } from '../outbox/localDate';
import { Outbox } from '../outbox/outbox';
import { type OutboxState } from '../outbox/outboxState';
import { useOutbox } from '../outbox/useOutbox';
import { forgetKept } from './offline';
import { earlierLinks, forgetLink, remember } from './whose';
import { useTakeBack } from './useTakeBack';
import { hasEnded, useWeek } from './useWeek';
import { type DayLog, isStop, type Week, type WeekNow, weekNow } from './weekNow';
import * as say from '../messages/compiled/home';

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
const OVER = say.thisWeekIsOverAsk();
// Whoever holds the device; each week has a channel of its own.
const OWNER = 'home';

/** The week behind the link, with days that were logged here and are still to be sent. */
export interface Closed {
  error: string;
  /** True for a link that is in use no more. */
  ended: boolean;
  /** What was logged with this link and not sent yet. */
  kept: readonly KeptEntry[];
  throwAway: (entry: KeptEntry) => void;
}

export function useHome(token: string): HomeHandle | Closed | null {
  const channel = `home/${token}`;
  const { week, whose, error, tell } = useWeek(token);
  const outbox = useMemo(() => makeOutbox(channel, tell), [channel, tell]);
  const state = useOutbox(outbox);
  const today = useToday();

  useEffect(() => {
    const stop = outbox.start(OWNER);
    adoptOldEntries(
      localStorage,
      (old) => old.startsWith('home/'),
      (old, entry) => outbox.push(old, entry),
    );
    return stop;
  }, [outbox]);
  useEffect(() => {
    if (whose !== null) bringAlong(outbox, token, whose);
  }, [outbox, token, whose]);

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
  const mine = state.waiting.filter((entry) => entry.channel === channel);
  const throwAway = (entry: KeptEntry) => outbox.throwAway(entry);
  if (isOver) return { error: OVER, ended: true, kept: mine, throwAway };
  if (week === null)
    return error && { error: error.words, ended: error.ended, kept: mine, throwAway };
  return {
    week: weekNow(week, mine, today),
    // Another link of this device has its own page.
    queue: { ...state, waiting: mine, aside: state.aside.filter((e) => e.channel === channel) },
    log,
    answerLater,
    takeBack,
    tryAgain: (entry) => outbox.tryAgain(entry),
    throwAway,
  };
}

/** What waits of this player's earlier links is sent with the one that is open. */
function bringAlong(outbox: Outbox, token: string, whose: string): void {
  for (const earlier of earlierLinks(token, whose)) {
    outbox.move(`home/${earlier}`, `home/${token}`);
    void import('./takeShelf').then(
      (shelf) => shelf.moveTakes(earlier, token),
      () => undefined,
    );
    forgetLink(earlier);
  }
  remember(token, whose);
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
    holds: (_, error) => hasEnded(error),
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
