import { useSyncExternalStore } from 'react';

import type { Outbox } from './outbox';
import type { OutboxState } from './outboxState';

export function useOutbox(outbox: Outbox): OutboxState {
  return useSyncExternalStore(outbox.subscribe, outbox.snapshot);
}
