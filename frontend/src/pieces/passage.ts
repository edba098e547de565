import { queryOptions } from '@tanstack/react-query';

import { client, unwrap } from '../api/client';
import { formBody } from '../api/form';
import type { Passage, PieceChange } from './pieces';

const at = (playerId: number, pieceId: number) => ({
  params: { path: { player_id: playerId, piece_id: pieceId } },
});

export async function bringIn(playerId: number, file: File): Promise<Passage> {
  return unwrap(
    await client.POST('/api/players/{player_id}/pieces', {
      params: { path: { player_id: playerId } },
      ...formBody({ file }),
    }),
  );
}

export async function changePiece(
  playerId: number,
  pieceId: number,
  change: PieceChange,
): Promise<Passage> {
  return unwrap(
    await client.POST('/api/players/{player_id}/pieces/{piece_id}', {
      ...at(playerId, pieceId),
      body: change,
    }),
  );
}

/** Anew for every change of what the drills are made of. */
export const wayQuery = (playerId: number, passage: Passage) =>
  queryOptions({
    queryKey: ['way', playerId, passage.id, passage.week, passage.notes],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/players/{player_id}/pieces/{piece_id}/way', {
          ...at(playerId, passage.id),
        }),
      ),
  });

export async function hearPiece(
  playerId: number,
  pieceId: number,
  sound: Blob,
  tempo: number,
): Promise<Passage> {
  return unwrap(
    await client.POST('/api/players/{player_id}/pieces/{piece_id}/take', {
      ...at(playerId, pieceId),
      ...formBody({ file: sound, tempo: String(tempo) }),
    }),
  );
}

export async function simulatePiece(
  playerId: number,
  pieceId: number,
  tempo: number,
): Promise<Passage> {
  return unwrap(
    await client.POST('/api/players/{player_id}/pieces/{piece_id}/take/simulated', {
      ...at(playerId, pieceId),
      body: { tempo },
    }),
  );
}

export async function removePiece(playerId: number, pieceId: number) {
  return unwrap(
    await client.DELETE('/api/players/{player_id}/pieces/{piece_id}', {
      ...at(playerId, pieceId),
    }),
  );
}
