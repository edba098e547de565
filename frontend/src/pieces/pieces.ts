import { queryOptions } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';

export type Passage = Schemas['PassageOut'];
export type PassageNote = Schemas['PieceNoteOut'];
export type PieceChange = Partial<Schemas['PieceIn']>;

/** Makes a change; what is to be done once it is made. */
export type Tell = (told: PieceChange, onDone?: () => void) => void;

/** The printed number of a bar that is counted from the first in the file. */
export function printed(passage: Passage, bar: number): string {
  return passage.bars[bar - passage.first]?.number ?? String(bar);
}

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
