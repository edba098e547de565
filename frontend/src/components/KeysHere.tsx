import { useState } from 'react';

import { late } from './late';
import { useKeys } from './useKeys';

const KeyHelp = late(async () => (await import('./KeyHelp')).KeyHelp);

/** The list of all keys, at the key that asks for it. */
export function KeysHere() {
  const [open, setOpen] = useState(false);
  useKeys({ '?': () => setOpen(true) });
  if (!open) return null;
  return <KeyHelp opened onClose={() => setOpen(false)} />;
}
