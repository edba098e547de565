import type { Take } from './takes';
import css from './Listening.module.css';
import { TuneLabels } from './TuneLabels';
import * as say from '../messages/compiled/sound';

const STEP = 34;
const MOST_IN_A_ROW = 24;
const LEFT = 88;
const TUNE = { middle: 84, cents: 1.1, most: 50 };
const TIME = { middle: 190, ms: 0.35, most: 80 };
const HEIGHT = 232;

interface Props {
  notes: Take['notes'];
  /** s into the sound, for the mark; null for none. */
  now: number | null;
  /** Plays from here, s. */
  onPlace?: ((at: number) => void) | undefined;
}

/** The notes in rows, as in music. */
export function NoteStrip({ notes, now, onPlace }: Props) {
  const rows = Math.ceil(notes.length / MOST_IN_A_ROW);
  const each = Math.ceil(notes.length / Math.max(1, rows));
  return Array.from({ length: rows }, (_, row) => (
    <Row
      key={row}
      notes={notes.slice(row * each, (row + 1) * each)}
      room={each}
      now={now}
      onPlace={onPlace}
    />
  ));
}

/** Each note with its finger: above how far from its pitch, below how early or late. */
function Row({ notes, room, now, onPlace }: Props & { room: number }) {
  const width = LEFT + STEP * room + 10;
  const ends = notes.at(-1);
  const isHere = now !== null && ends !== undefined && now < ends.at + ends.seconds;
  const place = isHere ? notes.filter((note) => note.at <= now).length - 1 : -1;
  return (
    <div className={css.strip} tabIndex={0} role="group" aria-label={say.theNotes()}>
      <svg
        viewBox={`0 0 ${width} ${HEIGHT}`}
        style={{ minWidth: Math.min(width, 1400) * 0.72 }}
        role="img"
        aria-label={say.eachNoteHowFarFrom()}
      >
        <TuneLabels middle={TUNE.middle} />
        <text x="0" y={TIME.middle - 14}>
          {say.early()}
        </text>
        <text x="0" y={TIME.middle + 26}>
          {say.late()}
        </text>
        <path className={css.axis} d={`M${LEFT - 8} ${TUNE.middle}H${width}`} />
        <path className={css.axis} d={`M${LEFT - 8} ${TIME.middle}H${width}`} />
        {notes.map((note, n) => (
          <NoteMark
            key={n}
            note={note}
            x={LEFT + STEP * (n + 0.5)}
            isNow={n === place}
            onClick={onPlace && (() => onPlace(note.at))}
          />
        ))}
      </svg>
    </div>
  );
}

interface MarkProps {
  note: Take['notes'][number];
  x: number;
  isNow: boolean;
  onClick: (() => void) | undefined;
}

function NoteMark({ note, x, isNow, onClick }: MarkProps) {
  const y = note.cents === null ? null : TUNE.middle - TUNE.cents * held(note.cents, TUNE.most);
  const give = TUNE.cents * Math.min(30, note.give ?? 0);
  const late = -TIME.ms * held(note.early, TIME.most);
  return (
    <g
      data-now={isNow || undefined}
      data-doubtful={note.is_doubtful || undefined}
      onClick={onClick}
    >
      <rect className={css.column} x={x - STEP / 2} y="0" width={STEP} height={HEIGHT} />
      <text className={css.finger} x={x} y="18">
        {note.finger}
      </text>
      {y === null ? (
        <text className={css.finger} x={x} y={TUNE.middle + 5}>
          ?
        </text>
      ) : (
        <>
          <path className={css.give} d={`M${x} ${y - give}V${y + give}`} />
          <circle className={css.tune} cx={x} cy={y} r="6" />
        </>
      )}
      <path className={css.time} d={`M${x} ${TIME.middle}V${TIME.middle + late}`} />
    </g>
  );
}

function held(value: number, most: number): number {
  return Math.max(-most, Math.min(most, value));
}
