import { useMutation, useQueryClient } from '@tanstack/react-query';

import { client, problemWords, unwrapEmpty } from '../api/client';

interface Change {
  player: number;
  /** Null: it falls out. */
  to: string | null;
  at: string | null;
}

/** Let today's lesson of a player fall out or be at another time, and take that back. */
export function useAway(onDone: () => void) {
  const cache = useQueryClient();
  const onSuccess = async () => {
    await cache.invalidateQueries({ queryKey: ['today'] });
    onDone();
  };
  const change = useMutation({
    mutationFn: async ({ player, to, at }: Change) =>
      unwrapEmpty(
        await client.POST('/api/players/{player_id}/away', {
          params: { path: { player_id: player } },
          body: { to, at },
        }),
      ),
    onSuccess,
  });
  const back = useMutation({
    mutationFn: async (player: number) =>
      unwrapEmpty(
        await client.DELETE('/api/players/{player_id}/away', {
          params: { path: { player_id: player } },
        }),
      ),
    onSuccess,
  });
  const error = change.error ?? back.error;
  return { change, back, problem: error && problemWords(error) };
}
