import { useCallback, useEffect, useState } from 'react';

import { newKey } from '../api/newKey';
import type { Outbox } from '../outbox/outbox';

interface Tapped {
  clientKey: string;
  at: number;
}

const WITHIN = 60_000;

/** A stop that was tapped by mistake can be taken back within a minute, here or after a reload. */
export function useTakeBack(outbox: Outbox, channel: string) {
  const storageKey = `jolf.stop/${channel}`;
  const [tapped, setTapped] = useState<Tapped | null>(() => readTapped(storageKey));
  useEffect(() => {
    if (tapped === null) return undefined;
    const left = Math.max(0, tapped.at + WITHIN - Date.now());
    const timer = setTimeout(() => setTapped(null), left);
    return () => clearTimeout(timer);
  }, [tapped]);

  const remember = useCallback(
    (clientKey: string) => {
      const found = { clientKey, at: Date.now() };
      sessionStorage.setItem(storageKey, JSON.stringify(found));
      setTapped(found);
    },
    [storageKey],
  );
  const takeBack = useCallback(() => {
    if (tapped === null) return;
    const seconds = (Date.now() - tapped.at) / 1000;
    const isUnsent = outbox.takeBack(channel, tapped.clientKey) !== null;
    if (!isUnsent) {
      const entry = {
        clientKey: newKey(),
        kind: 'take-back',
        key: tapped.clientKey,
        value: seconds,
      };
      outbox.push(channel, entry);
    }
    sessionStorage.removeItem(storageKey);
    setTapped(null);
  }, [outbox, channel, storageKey, tapped]);
  return { remember, takeBack: tapped === null ? null : takeBack };
}

function readTapped(storageKey: string): Tapped | null {
  try {
    const found = JSON.parse(sessionStorage.getItem(storageKey) ?? 'null') as Tapped | null;
    return found !== null && Date.now() - found.at < WITHIN ? found : null;
  } catch {
    return null;
  }
}
