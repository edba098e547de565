import { Link } from 'wouter';

import { tuneAddress } from '../components/benchAddress';
import type { NextPiece, Repertoire } from './repertoire';
import css from './RepertoirePage.module.css';
import * as say from '../messages/compiled/repertoire';
import { Rich } from '../messages/Rich';
import { beside, listed } from '../words/lists';

interface Props {
  playerId: number;
  instrument: string | undefined;
  told: Repertoire;
}

/** What brings one thing more, and what brings nothing new. */
export function NextPieces({ playerId, instrument, told }: Props) {
  if (told.paused) {
    return (
      <p role="alert" className={css.stop}>
        <Rich
          says={say.aStopIsUp()}
          as={{ link: (words) => <Link href={`/players/${playerId}`}>{words}</Link> }}
        />
      </p>
    );
  }
  const addressOf = (piece: NextPiece) =>
    piece.kind === 'piece'
      ? `/players/${playerId}/pieces/${piece.id}`
      : tuneAddress(piece.id, instrument ?? 'vn');
  const row = (piece: NextPiece) => (
    <li key={`${piece.kind} ${piece.id}`}>
      <Link href={addressOf(piece)}>{piece.title}</Link>
      <span className="quiet">{piece.kind === 'tune' ? say.ourTune() : say.broughtIn()}</span>
      <NewThings things={piece.new} />
    </li>
  );
  const isSpared = told.eased.length > 0;
  const next = (
    <>
      <h2>{told.begins ? say.toBeginWith() : say.nextOneThingAtATime()}</h2>
      {told.begins && <p>{say.nothingPlayedYet()}</p>}
      {told.next.length === 0 && <p>{say.nothingOneStepAhead()}</p>}
      <ol className={css.next}>{told.next.map(row)}</ol>
    </>
  );
  return (
    <>
      {isSpared && <p className={css.stop}>{say.spareThisHand({ why: beside(told.eased) })}</p>}
      {!isSpared && next}
      {told.to_rest_on.length > 0 && (
        <>
          <h2>{say.nothingNewIn()}</h2>
          <p>{say.goodToRestOn()}</p>
          <ul className={css.next}>{told.to_rest_on.map(row)}</ul>
        </>
      )}
      {isSpared && next}
    </>
  );
}

function NewThings({ things }: { things: NextPiece['new'] }) {
  if (things.length === 0) return null;
  const why = [...new Set(things.flatMap((each) => each.why))];
  const returns = [...new Set(things.flatMap((each) => each.returns))];
  return (
    <>
      <p>
        {say.thingsMore({
          count: things.length,
          things: listed(things.map((each) => each.words)),
        })}
      </p>
      {why.length > 0 && <p>{say.whereThatIs({ why: listed(why) })}</p>}
      {returns.length > 0 && <p>{say.comesBackHere({ causes: beside(returns) })}</p>}
    </>
  );
}
