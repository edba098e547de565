import { Fold } from '../components/Fold';
import { SureButton } from '../components/SureButton';
import touch from '../components/touch.module.css';
import { BarStrip } from '../pieces/BarStrip';
import { ForWeek } from './ForWeek';
import { HearPiece } from './HearPiece';
import css from './PiecePage.module.css';
import type { Passage, Tell } from '../pieces/pieces';
import { PieceSettings } from './PieceSettings';

interface Props {
  playerId: number;
  passage: Passage;
  isBusy: boolean;
  tell: Tell;
  onHeard: (now: Passage) => void;
  onChoose: (number: number) => void;
  onRemove: () => void;
  isRemoving: boolean;
}

/** What else can be done with a piece, each part in a line of its own below the music. */
export function PieceParts({ playerId, passage, isBusy, tell, ...on }: Props) {
  const address = `/api/players/${playerId}/pieces/${passage.id}`;
  return (
    <div className={css.parts}>
      {passage.remarks.map((words) => (
        <p key={words} className="quiet">
          {words}
        </p>
      ))}
      <Fold title="Bar by bar" summary="how heavy each is for this hand, and why">
        {() => <BarStrip bars={passage.bars} />}
      </Fold>
      <Fold title="What is looked at" summary={lookedAt(passage)}>
        {() => <PieceSettings passage={passage} tell={tell} />}
      </Fold>
      {!passage.paused && (
        <Fold title="Other bars" summary="for the week’s step into music">
          {() => <ForWeek passage={passage} isBusy={isBusy} tell={tell} />}
        </Fold>
      )}
      {!passage.paused && (
        <Fold title="By ear" summary={passage.heard?.words ?? 'where it tightens'}>
          {() => <HearPiece playerId={playerId} passage={passage} onHeard={on.onHeard} />}
        </Fold>
      )}
      <Fold title="Every note" summary={`${passage.notes.length}, with finger and string`}>
        {() => <Notes passage={passage} onChoose={on.onChoose} />}
      </Fold>
      <Fold title="Take along, remove" summary="the part with these marks, the bars as PDF">
        {() => (
          <div className={css.row}>
            <a className={touch.word} href={`${address}/marked.musicxml`}>
              The part with these marks (MusicXML)
            </a>
            {!passage.paused && (
              <a className={touch.word} href={`${address}/part.pdf`}>
                These bars as PDF
              </a>
            )}
            <SureButton
              sure="Yes, remove it and its fingers"
              isBusy={on.isRemoving}
              onSure={on.onRemove}
            >
              Remove this piece
            </SureButton>
          </div>
        )}
      </Fold>
    </div>
  );
}

function lookedAt(passage: Passage): string {
  const bars = `bars ${passage.bars[0]?.number ?? ''} to ${passage.bars.at(-1)?.number ?? ''} of ${passage.whole}`;
  return passage.tempo === null ? bars : `${bars}, ♩ = ${passage.tempo}`;
}

function Notes({ passage, onChoose }: { passage: Passage; onChoose: (number: number) => void }) {
  return (
    <ul className={css.notes}>
      {passage.notes.map((note) => (
        <li key={note.number}>
          <button type="button" className={touch.word} onClick={() => onChoose(note.number)}>
            bar {note.bar}, {note.pitch}: {note.finger ?? 'no finger'}
            {note.string !== null && `, string ${note.string}`}
            {note.lets_go && ', let go'}
          </button>
        </li>
      ))}
    </ul>
  );
}
