import * as say from '../messages/compiled/library';
import touch from '../components/touch.module.css';
import { WordChoice } from '../components/WordChoice';
import { INSTRUMENTS, SHELF_NAMES, type ShelvesProps } from './LibraryPage';
import css from './LibraryPage.module.css';

/** Below the list: which shelf, and for which instrument. */
export function Shelves({ shelf, instrument, hits, set }: ShelvesProps) {
  return (
    <div className={css.shelves}>
      <div role="group" aria-label={say.shelf()}>
        {SHELF_NAMES.map(([id, name]) => (
          <button
            key={id}
            type="button"
            className={touch.word}
            aria-pressed={id === shelf}
            onClick={() => set({ shelf: id === shelf ? '' : id, open: '' })}
          >
            {name}
            {hits && <small> {hits.filter((hit) => hit.shelf === id).length}</small>}
          </button>
        ))}
        <button type="button" className={touch.word} onClick={() => set({ shelf: 'drills' })}>
          {say.drills()}
        </button>
      </div>
      <WordChoice
        label={say.instrument()}
        choices={INSTRUMENTS}
        chosen={instrument}
        onChoose={(id) => set({ instrument: id })}
      />
    </div>
  );
}
