import { Bead } from './Bead';
import css from './StringChoice.module.css';

interface Props<Id extends string> {
  /** What is chosen. */
  label: string;
  choices: readonly { id: Id; name: string; about?: string }[];
  chosen: Id;
  onChoose: (id: Id) => void;
}

/** One of several, hung on an upright string; the chosen one points at what it opens. */
export function StringChoice<Id extends string>({ label, choices, chosen, onChoose }: Props<Id>) {
  return (
    <div className={css.string} role="group" aria-label={label}>
      {choices.map(({ id, name, about }) => (
        <button key={id} type="button" aria-pressed={id === chosen} onClick={() => onChoose(id)}>
          <Bead as={id === chosen ? 'now' : 'open'} />
          <span>
            <strong>{name}</strong>
            {about && <small>{about}</small>}
          </span>
        </button>
      ))}
    </div>
  );
}
