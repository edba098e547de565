import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';
import { newKey } from '../api/newKey';
import { sweepQuery } from '../api/classQueries';
import type { OutboxState } from '../outbox/outboxState';
import { localDate } from '../outbox/localDate';
import { groupChannel, studioOutbox } from '../outbox/studio';
import type { SweptValue } from '../outbox/swept';
import { useOutbox } from '../outbox/useOutbox';
import { gradeKey, withEntries } from './sweepGrades';

type Sweep = Schemas['SweepOut'];

export interface SweepHandle {
  sweep: Sweep;
  queue: OutboxState;
  grade: (player: number, check: string, grade: number | null, fingers?: number[]) => void;
  rest: (check: string) => void;
  choose: (checks: string[]) => void;
}

/** The sweep with everything entered so far, and the ways to go on. Entries are kept until sent. */
export function useSweep(id: number): SweepHandle | { error: Error } | null {
  const cache = useQueryClient();
  const query = useQuery(sweepQuery(id));
  const state = useOutbox(studioOutbox);
  const channel = groupChannel(id);
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
  function push(kind: string, key: string, grade: number | null, fingers?: number[]) {
    const value: SweptValue = { grade, fingers: fingers ?? null, seenOn: localDate(new Date()) };
    studioOutbox.push(channel, { clientKey: newKey(), kind, key, value });
  }
  if (query.data === undefined) return query.error ? { error: query.error } : null;
  const pending = state.waiting.filter((entry) => entry.channel === channel);
  return {
    sweep: withEntries(query.data, pending),
    queue: { ...state, problem: state.problem ?? choose.error?.message ?? null },
    grade: (player, check, grade, fingers) =>
      push('grade', gradeKey(player, check), grade, fingers),
    rest: (check) => push('rest', check, 0),
    choose: choose.mutate,
  };
}
