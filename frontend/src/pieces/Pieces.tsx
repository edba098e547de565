import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useLocation } from 'wouter';

import { ApiError } from '../api/client';
import { TakeFile } from '../components/TakeFile';
import css from './Pieces.module.css';
import { passageQuery, piecesQuery } from './pieces';
import * as say from '../messages/compiled/pieces';
import { fromTo } from '../words/lists';

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
    <>
      <ul className={css.list}>
        {pieces.map((piece) => (
          <li key={piece.id}>
            <Link href={addressOf(piece.id)}>{piece.title}</Link>
            <span className="quiet">{say.barsOfBars({ bars: fromTo(piece.bars) })}</span>
          </li>
        ))}
      </ul>
      <Link className={css.next} href={`/players/${playerId}/repertoire`}>
        {say.whatIsNext()}
      </Link>
      <TakeFile
        accept=".musicxml,.mxl,.xml"
        reading={bring.isPending ? say.readingTheMusic() : null}
        problem={bring.error && problemWords(bring.error)}
        onFile={(file) => bring.mutate(file)}
      >
        {say.bringInOrDropA()}
      </TakeFile>
    </>
  );
}

function problemWords(error: Error): string {
  const field = error instanceof ApiError ? error.fields[0] : undefined;
  return field?.field === 'file' ? say.theFile({ problem: field.problem }) : error.message;
}
