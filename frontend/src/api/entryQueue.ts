import { ApiError } from './client';

/** One thing that was entered. `clientKey` makes it count once, however often it is sent. */
export interface Entry {
  clientKey: string;
  kind: string;
  key: string;
  value: unknown;
}

export interface QueueState {
  waiting: number;
  offline: boolean;
  problem: string | null;
}

type Kept = Pick<Parts<unknown>, 'storage' | 'storageKey'>;

interface Parts<Answer> {
  send: (entry: Entry) => Promise<Answer>;
  onAnswer: (answer: Answer) => void;
  onRefused: () => void;
  storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;
  storageKey: string;
  /** Tells with an "online" event that the connection is back. */
  network: Pick<EventTarget, 'addEventListener' | 'removeEventListener'>;
  retryAfter?: number;
}

const RETRY_AFTER = 3000;

/**
 * Entries on their way to the server, in order, kept in the browser until they have arrived.
 * Starts sending on the first subscriber and stops its timer with the last.
 */
export class EntryQueue<Answer> {
  private waiting: Entry[];
  private sending = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private listeners = new Set<() => void>();
  private state: QueueState = { waiting: 0, offline: false, problem: null };

  constructor(private readonly parts: Parts<Answer>) {
    this.waiting = readKept(parts);
    this.state = { ...this.state, waiting: this.waiting.length };
  }

  subscribe = (listener: () => void): (() => void) => {
    if (this.listeners.size === 0) {
      this.parts.network.addEventListener('online', this.flush);
      this.flush();
    }
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size > 0) return;
      this.parts.network.removeEventListener('online', this.flush);
      clearTimeout(this.timer);
    };
  };

  snapshot = (): QueueState => this.state;

  pending = (): readonly Entry[] => this.waiting;

  push(entry: Entry): void {
    this.waiting = [...this.waiting, entry];
    this.keep({ problem: null });
    this.flush();
  }

  /** Take back the newest entry that has not been sent. False when there is none. */
  takeBack(): boolean {
    if (this.waiting.length === 0 || (this.sending && this.waiting.length === 1)) return false;
    this.waiting = this.waiting.slice(0, -1);
    this.keep({});
    return true;
  }

  flush = (): void => {
    void this.sendAll();
  };

  private async sendAll(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.timer);
    try {
      for (let next = this.waiting[0]; next; next = this.waiting[0]) {
        const goOn = await this.sendOne(next);
        if (!goOn) break;
      }
    } finally {
      this.sending = false;
    }
  }

  private async sendOne(entry: Entry): Promise<boolean> {
    try {
      const answer = await this.parts.send(entry);
      this.waiting = this.waiting.slice(1);
      this.keep({ offline: false });
      this.parts.onAnswer(answer);
      return true;
    } catch (error) {
      if (error instanceof ApiError && error.status < 500 && error.status !== 429) {
        this.waiting = this.waiting.slice(1);
        this.keep({ problem: refusal(error) });
        this.parts.onRefused();
        return true;
      }
      this.keep({ offline: true });
      this.timer = setTimeout(this.flush, this.parts.retryAfter ?? RETRY_AFTER);
      return false;
    }
  }

  private keep(change: Partial<QueueState>): void {
    const { storage, storageKey } = this.parts;
    if (this.waiting.length === 0) storage.removeItem(storageKey);
    else storage.setItem(storageKey, JSON.stringify(this.waiting));
    this.state = { ...this.state, ...change, waiting: this.waiting.length };
    for (const listener of this.listeners) listener();
  }
}

function refusal(error: ApiError): string {
  const first = error.fields[0];
  return first ? `${error.message} ${first.field}: ${first.problem}` : error.message;
}

function readKept({ storage, storageKey }: Kept): Entry[] {
  try {
    const kept: unknown = JSON.parse(storage.getItem(storageKey) ?? '[]');
    return Array.isArray(kept) ? (kept as Entry[]) : [];
  } catch {
    return [];
  }
}

/** What stands beside the work: all is saved, on its way, or kept here. */
export function savedWords({ offline, waiting, problem }: QueueState): string {
  if (problem !== null) return problem;
  if (offline) return `No connection: ${waiting} ${waiting === 1 ? 'entry' : 'entries'} kept here`;
  return waiting > 0 ? 'Saving' : 'Saved';
}
