import { useSyncExternalStore } from 'react';

import type { Outbox, OutboxState } from './outbox';

export function useOutbox(outbox: Outbox): OutboxState {
  return useSyncExternalStore(outbox.subscribe, outbox.snapshot);
}
