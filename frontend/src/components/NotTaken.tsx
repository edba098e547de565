import type { KeptEntry } from '../outbox/entry';
import { studioOutbox } from '../outbox/studio';
import { KIND_WORDS } from '../words/kinds';
import { longDate } from '../words/words';
import { Dialog } from './Dialog';
import touch from './touch.module.css';
import css from './Undelivered.module.css';
import * as say from '../messages/compiled/components';

interface Props {
  aside: readonly KeptEntry[];
  opened: boolean;
  onClose: () => void;
}

/** What was not taken, each with what can be done about it. */
export function NotTaken({ aside, opened, onClose }: Props) {
  return (
    <Dialog opened={opened} onClose={onClose} title={say.entriesThatWereNotTaken()}>
      <p>{say.theyAreKeptOnThis()}</p>
      <ul className={css.list}>
        {aside.map((entry) => (
          <Row key={entry.clientKey} entry={entry} />
        ))}
      </ul>
    </Dialog>
  );
}

function Row({ entry }: { entry: KeptEntry }) {
  return (
    <li>
      <strong>{wordsOf(entry)}</strong>
      <span className="quiet">
        {longDate(new Date(entry.at))}: {entry.aside}
      </span>
      <span className={css.actions}>
        <button type="button" className={touch.button} onClick={() => studioOutbox.tryAgain(entry)}>
          {say.tryAgain()}
        </button>
        <button type="button" className={touch.word} onClick={() => studioOutbox.throwAway(entry)}>
          {say.throwAway()}
        </button>
      </span>
    </li>
  );
}

/** The entry in words: what kind, of what, and what was entered. */
function wordsOf({ kind, key, value }: KeptEntry): string {
  const said = typeof value === 'string' ? value : value === null ? '' : JSON.stringify(value);
  return [KIND_WORDS[kind] ?? kind, key, said].filter(Boolean).join(' · ');
}
