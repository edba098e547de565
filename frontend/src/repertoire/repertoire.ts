import { queryOptions } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';

export type Repertoire = Schemas['RepertoireOut'];
export type NextPiece = Schemas['NextPieceOut'];

/** ms until it is asked for again while pieces are still to be read. */
const AGAIN = 1_000;

export const repertoireQuery = (playerId: number) =>
  queryOptions({
    queryKey: ['repertoire', playerId],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/players/{player_id}/repertoire', {
          params: { path: { player_id: playerId } },
        }),
      ),
    staleTime: 0,
    refetchInterval: (query) => ((query.state.data?.unread ?? 0) > 0 ? AGAIN : false),
  });
