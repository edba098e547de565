import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useLocation } from 'wouter';

import { ApiError } from '../api/client';
import css from './Pieces.module.css';
import { passageQuery, piecesQuery } from './pieces';

export interface PiecesProps {
  playerId: number;
  /** The lesson that is left for the piece, and gone back to. */
  lessonId?: number;
}

/** The player's own music: where the trouble will come back in it. */
export function Pieces({ playerId, lessonId }: PiecesProps) {
  const pieces = useQuery(piecesQuery(playerId)).data ?? [];
  const cache = useQueryClient();
  const [, navigate] = useLocation();
  const back = lessonId === undefined ? '' : `?lesson=${lessonId}`;
  const addressOf = (piece: number) => `/players/${playerId}/pieces/${piece}${back}`;
  const bring = useMutation({
    mutationFn: async (file: File) => (await import('./passage')).bringIn(playerId, file),
    onSuccess: async (passage) => {
      cache.setQueryData(passageQuery(playerId, passage.id).queryKey, passage);
      await cache.invalidateQueries(piecesQuery(playerId));
      navigate(addressOf(passage.id));
    },
  });
  return (
    <details open={pieces.length > 0 && lessonId === undefined}>
      <summary className={css.summary}>The player&rsquo;s own music</summary>
      <ul className={css.list}>
        {pieces.map((piece) => (
          <li key={piece.id}>
            <Link href={addressOf(piece.id)}>{piece.title}</Link>
            <span className="quiet">, bars {piece.bars.join(' to ')}</span>
          </li>
        ))}
      </ul>
      <label className={css.file}>
        Bring in or drop a piece (MusicXML), to see where the trouble will come back
        {/* A file can be dropped on it as well. */}
        <input
          type="file"
          accept=".musicxml,.mxl,.xml"
          disabled={bring.isPending}
          onChange={(event) => {
            const file = event.currentTarget.files?.[0];
            event.currentTarget.value = '';
            if (file) bring.mutate(file);
          }}
        />
      </label>
      {bring.isPending && <p role="status">Reading …</p>}
      {bring.error && <p role="alert">{problemWords(bring.error)}</p>}
    </details>
  );
}

function problemWords(error: Error): string {
  const field = error instanceof ApiError ? error.fields[0] : undefined;
  return field?.field === 'file' ? `The file ${field.problem}.` : error.message;
}
