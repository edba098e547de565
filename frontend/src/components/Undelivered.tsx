import { useState } from 'react';

import type { KeptEntry } from '../outbox/entry';
import { studioOutbox } from '../outbox/studio';
import { useOutbox } from '../outbox/useOutbox';
import { longDate, KIND_WORDS } from '../words/words';
import { Dialog } from './Dialog';
import touch from './touch.module.css';
import css from './Undelivered.module.css';

/** Entries that the server could not take: kept with their words until somebody decides. */
export function Undelivered() {
  const { aside } = useOutbox(studioOutbox);
  const [opened, setOpened] = useState(false);
  if (aside.length === 0) return null;
  return (
    <>
      <button type="button" className={touch.button} onClick={() => setOpened(true)}>
        {aside.length} not taken
      </button>
      <Dialog opened={opened} onClose={() => setOpened(false)} title="Entries that were not taken">
        <p>They are kept on this computer. Try again, or throw away what is not needed any more.</p>
        <ul className={css.list}>
          {aside.map((entry) => (
            <Row key={entry.clientKey} entry={entry} />
          ))}
        </ul>
      </Dialog>
    </>
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
          Try again
        </button>
        <button type="button" className={touch.word} onClick={() => studioOutbox.throwAway(entry)}>
          Throw away
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
