import touch from '../components/touch.module.css';
import css from './PiecePage.module.css';
import type { PassageNote, PieceChange } from '../pieces/pieces';
import * as say from '../messages/compiled/piece';

const FINGERS = [0, 1, 2, 3, 4];
const STRINGS = [1, 2, 3, 4];

interface Props {
  note: PassageNote;
  isBusy: boolean;
  onChange: (told: Pick<PieceChange, 'finger' | 'string' | 'lets_go'>) => void;
  onDone: () => void;
}

/** Another finger or string for one note; the rest follows. */
export function NoteChange({ note, isBusy, onChange, onDone }: Props) {
  const own = { finger: note.own_finger, string: note.own_string, lets_go: note.own_lets_go };
  const zero = note.is_harmonic ? say.harmonic() : say.openString();
  const isOwn = Object.values(own).some((word) => word !== null);
  return (
    <section className={css.change} aria-label={say.thisNote()} aria-busy={isBusy}>
      <strong>{say.barOfBar({ bar: note.bar, pitch: note.pitch })}</strong>
      <span role="group" aria-label={say.finger()}>
        {FINGERS.map((finger) => (
          <button
            key={finger}
            type="button"
            className={touch.button}
            aria-pressed={note.finger === finger}
            onClick={() => onChange({ ...own, finger })}
          >
            {finger === 0 ? zero : finger}
          </button>
        ))}
      </span>
      <span role="group" aria-label={say.string()}>
        {STRINGS.map((string) => (
          <button
            key={string}
            type="button"
            className={touch.button}
            aria-pressed={note.string === string}
            onClick={() => onChange({ ...own, string })}
          >
            {say.stringOfString({ string })}
          </button>
        ))}
      </span>
      <button
        type="button"
        className={touch.button}
        aria-pressed={note.lets_go}
        onClick={() => onChange({ ...own, lets_go: !note.lets_go })}
      >
        {say.letGoHere()}
      </button>
      <button
        type="button"
        className={touch.button}
        aria-pressed={!isOwn}
        onClick={() => onChange({ finger: null, string: null, lets_go: null })}
      >
        {say.asProposed()}
      </button>
      <button type="button" className={touch.button} onClick={onDone}>
        {say.done()}
      </button>
    </section>
  );
}
