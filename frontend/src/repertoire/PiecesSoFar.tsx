import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from 'wouter';

import { WordChoice } from '../components/WordChoice';
import { changePiece } from '../pieces/passage';
import { type Repertoire, repertoireQuery } from './repertoire';
import css from './RepertoirePage.module.css';
import * as say from '../messages/compiled/repertoire';
import { fromTo, listed } from '../words/lists';
import { longDay } from '../words/words';

/** The pieces in their order, each begun or still waiting. */
export function PiecesSoFar({ playerId, told }: { playerId: number; told: Repertoire }) {
  const cache = useQueryClient();
  const change = useMutation({
    mutationFn: ({ id, later }: { id: number; later: boolean }) =>
      changePiece(playerId, id, { later }),
    onSuccess: () => cache.invalidateQueries(repertoireQuery(playerId)),
  });
  if (told.pieces.length === 0) return null;
  const begun = told.pieces.filter((piece) => !piece.later);
  return (
    <>
      <h2>{say.pieces()}</h2>
      {told.unread > 0 && <p role="status">{say.stillToRead({ count: told.unread })}</p>}
      {change.error && <p role="alert">{change.error.message}</p>}
      <ul className={css.pieces}>
        {told.pieces.map((piece) => {
          return (
            <li key={piece.id}>
              <span className={css.number}>{piece.later ? '' : begun.indexOf(piece) + 1}</span>
              <div>
                <Link href={`/players/${playerId}/pieces/${piece.id}`}>{piece.title}</Link>
                <p className="quiet">
                  {say.barsBroughtOn({
                    bars: fromTo(piece.bars),
                    date: longDay(new Date(`${piece.brought_on}T12:00:00`)),
                  })}
                </p>
                {piece.more.length > 0 && (
                  <p>{say.asksMore({ count: piece.more.length, things: listed(piece.more) })}</p>
                )}
                {piece.most.length > 0 && <p>{say.asksMost({ things: listed(piece.most) })}</p>}
              </div>
              <WordChoice
                label={say.stateOf({ title: piece.title })}
                choices={[
                  { id: 'begun', words: say.begun() },
                  { id: 'later', words: say.notBegunYet() },
                ]}
                chosen={piece.later ? 'later' : 'begun'}
                onChoose={(id) => change.mutate({ id: piece.id, later: id === 'later' })}
              />
            </li>
          );
        })}
      </ul>
    </>
  );
}
