import touch from '../components/touch.module.css';
import css from './LibraryPage.module.css';

interface Props {
  entries: readonly { id: string; words: string }[];
  onOpen: (id: string) => void;
}

/** Entries of another shelf, each one touch away. */
export function LinkRow({ entries, onOpen }: Props) {
  return (
    <p className={css.links}>
      {entries.map((entry) => (
        <button
          key={entry.id}
          type="button"
          className={touch.word}
          onClick={() => onOpen(entry.id)}
        >
          {entry.words}
        </button>
      ))}
    </p>
  );
}
