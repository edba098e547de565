import { lazy, Suspense, useState } from 'react';

import { useKeys } from './useKeys';

const KeyHelp = lazy(async () => ({ default: (await import('./KeyHelp')).KeyHelp }));

/** The list of all keys, at the key that asks for it. */
export function KeysHere() {
  const [open, setOpen] = useState(false);
  useKeys({ '?': () => setOpen(true) });
  if (!open) return null;
  return (
    <Suspense fallback={null}>
      <KeyHelp opened onClose={() => setOpen(false)} />
    </Suspense>
  );
}
