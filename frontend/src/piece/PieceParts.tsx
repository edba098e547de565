import { Fold } from '../components/Fold';
import { SureButton } from '../components/SureButton';
import touch from '../components/touch.module.css';
import { BarStrip } from '../pieces/BarStrip';
import { ForWeek } from './ForWeek';
import { HearPiece } from './HearPiece';
import css from './PiecePage.module.css';
import { OldTreble } from './OldTreble';
import type { Passage, Tell } from '../pieces/pieces';
import { PieceSettings } from './PieceSettings';
import * as say from '../messages/compiled/piece';

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
      <OldTreble passage={passage} isBusy={isBusy} tell={tell} />
      {passage.remarks.map((words) => (
        <p key={words} className="quiet">
          {words}
        </p>
      ))}
      <Fold title={say.barByBar()} summary={say.howHeavyEachIsFor()}>
        {() => <BarStrip bars={passage.bars} />}
      </Fold>
      <Fold title={say.whatIsLookedAt()} summary={lookedAt(passage)}>
        {() => <PieceSettings passage={passage} tell={tell} />}
      </Fold>
      {!passage.paused && (
        <Fold title={say.otherBars()} summary={say.forTheWeeksStepInto()}>
          {() => <ForWeek passage={passage} isBusy={isBusy} tell={tell} />}
        </Fold>
      )}
      {!passage.paused && (
        <Fold title={say.byEar()} summary={passage.heard?.words ?? say.whereItTightens()}>
          {() => <HearPiece playerId={playerId} passage={passage} onHeard={on.onHeard} />}
        </Fold>
      )}
      <Fold
        title={say.everyNote()}
        summary={say.withFingerAndString({ count: passage.notes.length })}
      >
        {() => <Notes passage={passage} onChoose={on.onChoose} />}
      </Fold>
      <Fold title={say.takeAlongRemove()} summary={say.thePartWithTheseMarks()}>
        {() => (
          <div className={css.row}>
            <a className={touch.word} href={`${address}/marked.musicxml`}>
              {say.thePartWithTheseMarksMusicxml()}
            </a>
            {!passage.paused && (
              <a className={touch.word} href={`${address}/part.pdf`}>
                {say.theseBarsAsPdf()}
              </a>
            )}
            <SureButton sure={say.yesRemoveItAndIts()} isBusy={on.isRemoving} onSure={on.onRemove}>
              {say.removeThisPiece()}
            </SureButton>
          </div>
        )}
      </Fold>
    </div>
  );
}

function lookedAt(passage: Passage): string {
  const bars = say.barsToOf({
    number: passage.bars[0]?.number ?? '',
    number2: passage.bars.at(-1)?.number ?? '',
    whole: passage.whole,
  });
  return passage.tempo === null ? bars : `${bars}, ♩ = ${passage.tempo}`;
}

function Notes({ passage, onChoose }: { passage: Passage; onChoose: (number: number) => void }) {
  return (
    <ul className={css.notes}>
      {passage.notes.map((note) => (
        <li key={note.number}>
          <button type="button" className={touch.word} onClick={() => onChoose(note.number)}>
            {say.barOfBarInside({
              bar: note.bar,
              pitch: note.pitch,
              finger: note.finger ?? say.noFinger(),
            })}
            {note.string !== null && `, ${say.stringOfStringInside({ string: note.string })}`}
            {note.lets_go && `, ${say.letGo()}`}
          </button>
        </li>
      ))}
    </ul>
  );
}
