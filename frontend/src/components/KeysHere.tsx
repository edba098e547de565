import { useState } from 'react';

import touch from './touch.module.css';
import { late } from './late';
import { useKeys } from './useKeys';
import * as say from '../messages/compiled/components';

const KeyHelp = late(async () => (await import('./KeyHelp')).KeyHelp);

/** The keys of this screen, at a touch and at the key that asks for them. */
export function KeysHere({ here }: { here: string | null }) {
  const [open, setOpen] = useState(false);
  useKeys({ '?': () => setOpen(true) });
  return (
    <>
      <button
        type="button"
        className={touch.square}
        aria-label={say.keysOnThisPage()}
        aria-keyshortcuts="?"
        onClick={() => setOpen(true)}
      >
        ?
      </button>
      {open && <KeyHelp opened here={here} onClose={() => setOpen(false)} />}
    </>
  );
}
