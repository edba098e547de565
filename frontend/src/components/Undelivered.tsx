import { useState } from 'react';

import { studioOutbox } from '../outbox/studio';
import { useOutbox } from '../outbox/useOutbox';
import { late } from './late';
import touch from './touch.module.css';
import * as say from '../messages/compiled/components';

const NotTaken = late(async () => (await import('./NotTaken')).NotTaken);

/** Entries that the server could not take: kept with their words until somebody decides. */
export function Undelivered() {
  const { aside } = useOutbox(studioOutbox);
  const [opened, setOpened] = useState(false);
  if (aside.length === 0) return null;
  return (
    <>
      <button type="button" className={touch.button} onClick={() => setOpened(true)}>
        {say.notTaken({ count: aside.length })}
      </button>
      {/* There at once, so that it can be opened without a network. */}
      <NotTaken aside={aside} opened={opened} onClose={() => setOpened(false)} />
    </>
  );
}
