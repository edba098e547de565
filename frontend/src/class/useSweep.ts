import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useSyncExternalStore } from 'react';

import { client, type Schemas, unwrap } from '../api/client';
import { type Entry, EntryQueue, type QueueState } from '../api/entryQueue';
import { newKey } from '../api/newKey';
import { sweepQuery } from '../api/queries';
import { gradeKey, readGradeKey, withEntries } from './sweepGrades';

type Sweep = Schemas['SweepOut'];

export interface SweepHandle {
  sweep: Sweep;
  queue: QueueState;
  grade: (player: number, check: string, grade: number | null) => void;
  rest: (check: string) => void;
  choose: (checks: string[]) => void;
}

/** The sweep with everything entered so far, and the ways to go on. Entries are kept until sent. */
export function useSweep(id: number): SweepHandle | { error: Error } | null {
  const cache = useQueryClient();
  const query = useQuery(sweepQuery(id));
  const queue = useMemo(
    () =>
      new EntryQueue<Sweep>({
        send: (entry) => send(id, entry),
        onAnswer: (sweep) => cache.setQueryData(sweepQuery(id).queryKey, sweep),
        onRefused: () => void cache.invalidateQueries({ queryKey: sweepQuery(id).queryKey }),
        storage: globalThis.localStorage,
        storageKey: `jolf.sweep.${id}`,
        network: window,
      }),
    [id, cache],
  );
  const state = useSyncExternalStore(queue.subscribe, queue.snapshot);
  const choose = useMutation({
    mutationFn: async (checks: string[]) =>
      unwrap(
        await client.POST('/api/groups/{group_id}/checks', {
          params: { path: { group_id: id } },
          body: { checks },
        }),
      ),
    onSuccess: (sweep) => cache.setQueryData(sweepQuery(id).queryKey, sweep),
  });
  if (query.data === undefined) return query.error ? { error: query.error } : null;
  return {
    sweep: withEntries(query.data, queue.pending()),
    queue: { ...state, problem: state.problem ?? choose.error?.message ?? null },
    grade: (player, check, grade) =>
      queue.push({
        clientKey: newKey(),
        kind: 'grade',
        key: gradeKey(player, check),
        value: grade,
      }),
    rest: (check) => queue.push({ clientKey: newKey(), kind: 'rest', key: check, value: 0 }),
    choose: choose.mutate,
  };
}

async function send(id: number, entry: Entry): Promise<Sweep> {
  const params = { path: { group_id: id } };
  if (entry.kind === 'rest') {
    const body = { client_key: entry.clientKey, check: entry.key };
    return unwrap(await client.POST('/api/groups/{group_id}/rest', { params, body }));
  }
  const { player, check } = readGradeKey(entry.key);
  const body = { client_key: entry.clientKey, player, check, grade: entry.value as number | null };
  return unwrap(await client.POST('/api/groups/{group_id}/grades', { params, body }));
}
