import touch from '../components/touch.module.css';
import css from './PiecePage.module.css';
import type { PassageNote, PieceChange } from './pieces';

const FINGERS = [0, 1, 2, 3, 4];
const STRINGS = [1, 2, 3, 4];

interface Props {
  note: PassageNote;
  isBusy: boolean;
  onChange: (told: Pick<PieceChange, 'finger' | 'string'>) => void;
  onDone: () => void;
}

/** Another finger or string for one note; the rest follows. */
export function NoteChange({ note, isBusy, onChange, onDone }: Props) {
  return (
    <section className={css.change} aria-label="This note" aria-busy={isBusy}>
      <strong>
        Bar {note.bar}, {note.pitch}
      </strong>
      <span role="group" aria-label="Finger">
        {FINGERS.map((finger) => (
          <button
            key={finger}
            type="button"
            className={touch.button}
            aria-pressed={note.finger === finger}
            onClick={() => onChange({ finger, string: note.own_string })}
          >
            {finger === 0 ? 'open' : finger}
          </button>
        ))}
      </span>
      <span role="group" aria-label="String">
        {STRINGS.map((string) => (
          <button
            key={string}
            type="button"
            className={touch.button}
            aria-pressed={note.string === string}
            onClick={() => onChange({ finger: note.own_finger, string })}
          >
            string {string}
          </button>
        ))}
      </span>
      {(note.own_finger !== null || note.own_string !== null) && (
        <button
          type="button"
          className={touch.button}
          onClick={() => onChange({ finger: null, string: null })}
        >
          As proposed
        </button>
      )}
      <button type="button" className={touch.button} onClick={onDone}>
        Done
      </button>
    </section>
  );
}
