import { queryOptions } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';

export type Passage = Schemas['PassageOut'];
export type PassageNote = Schemas['PieceNoteOut'];
export type PieceChange = Partial<Schemas['PieceIn']>;

export const piecesQuery = (playerId: number) =>
  queryOptions({
    queryKey: ['pieces', playerId],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/players/{player_id}/pieces', {
          params: { path: { player_id: playerId } },
        }),
      ),
  });

export const passageQuery = (playerId: number, pieceId: number) =>
  queryOptions({
    queryKey: ['piece', playerId, pieceId],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/players/{player_id}/pieces/{piece_id}', {
          params: { path: { player_id: playerId, piece_id: pieceId } },
        }),
      ),
  });
