import { client, type Schemas, unwrap } from '../api/client';
import { lessonQuery, sessionQuery } from '../api/queries';
import { sweepQuery } from '../api/classQueries';
import { queryClient } from '../api/queryClient';
import type { KeptEntry } from './entry';
import { Outbox } from './outbox';
import { sweptValue } from './swept';

export const lessonChannel = (id: number) => `lesson/${id}`;
export const groupChannel = (id: number) => `group/${id}`;

/** The outbox of all pages of the studio. */
export const studioOutbox = new Outbox({
  send: (entry) => (entry.channel.startsWith('group/') ? sendToGroup(entry) : sendToLesson(entry)),
  onAnswer: (entry, answer) => queryClient.setQueryData(queryOf(entry), answer),
  onStale: (entry) => void queryClient.invalidateQueries({ queryKey: queryOf(entry) }),
  whoIsHere: async () => {
    const session = unwrap(await client.GET('/api/session'));
    queryClient.setQueryData(sessionQuery.queryKey, session);
    return session.teacher?.key ?? null;
  },
  storage: globalThis.localStorage,
  window: globalThis.window,
  // Only pages of secure addresses and of this computer have locks.
  locks: (globalThis.navigator as Partial<Navigator>).locks,
});

function idOf(entry: KeptEntry): number {
  return Number(entry.channel.split('/')[1]);
}

function queryOf(entry: KeptEntry): readonly unknown[] {
  const id = idOf(entry);
  return entry.channel.startsWith('group/') ? sweepQuery(id).queryKey : lessonQuery(id).queryKey;
}

async function sendToLesson(entry: KeptEntry) {
  const params = { path: { lesson_id: idOf(entry) } };
  if (entry.kind === 'undo') {
    const body = { client_key: entry.clientKey, entry: entry.key };
    return unwrap(await client.POST('/api/lessons/{lesson_id}/undo', { params, body }));
  }
  const { clientKey, kind, key, value } = entry;
  // What is kept was entered with the types of its kind.
  const body = { client_key: clientKey, kind, key, value } as Schemas['EntryIn'];
  return unwrap(await client.POST('/api/lessons/{lesson_id}/entries', { params, body }));
}

async function sendToGroup(entry: KeptEntry) {
  const params = { path: { group_id: idOf(entry) } };
  const { grade, fingers = null, seenOn } = sweptValue(entry);
  if (entry.kind === 'rest') {
    const body = { client_key: entry.clientKey, check: entry.key, seen_on: seenOn };
    return unwrap(await client.POST('/api/groups/{group_id}/rest', { params, body }));
  }
  const [player, check = ''] = entry.key.split('/');
  const body = {
    client_key: entry.clientKey,
    player: Number(player),
    check,
    grade,
    fingers,
    seen_on: seenOn,
  };
  return unwrap(await client.POST('/api/groups/{group_id}/grades', { params, body }));
}
