import { ApiError } from '../api/client';
import type { Entry, KeptEntry } from './entry';
import { readKept } from './entry';
import { type OutboxState, type Parts, refusal } from './outboxState';
import { PREFIX, Shelf } from './shelf';

const RETRY_AFTER = 3000;

const MOST_TRIES = 3;

const LOCK = 'jolf-outbox';

const SIGN_IN = [401, 403];

const LATER = [408, 429, 503];

/**
 * Entries on their way to the server, in order, kept in the browser until they have arrived: one
 * for all pages. What cannot be taken is set aside with the server's words and holds nothing up.
 */
export class Outbox {
  private readonly shelf: Shelf;
  private owner: string | null = null;
  private sending: string | null = null;
  private flushing = false;
  private counter = 0;
  private readonly held = new Set<string>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();
  private state: OutboxState = {
    waiting: [],
    aside: [],
    offline: false,
    busy: false,
    needsSignIn: false,
    isFull: false,
    problem: null,
  };

  constructor(private readonly parts: Parts) {
    this.shelf = new Shelf(parts.storage);
  }

  /** Send as this owner from now on; null stops. */
  start(owner: string | null): () => void {
    if (owner !== this.owner) this.held.clear();
    this.owner = owner;
    this.parts.window.addEventListener('online', this.flush);
    this.parts.window.addEventListener('storage', this.onOtherTab);
    this.update({ needsSignIn: false, problem: null });
    this.flush();
    return this.stop;
  }

  private readonly stop = (): void => {
    this.parts.window.removeEventListener('online', this.flush);
    this.parts.window.removeEventListener('storage', this.onOtherTab);
    clearTimeout(this.timer);
  };

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = (): OutboxState => this.state;

  /** Entries of a channel that are on their way, oldest first. */
  pending(channel: string): KeptEntry[] {
    return this.state.waiting.filter((entry) => entry.channel === channel);
  }

  push(channel: string, entry: Entry): void {
    if (this.owner === null) throw new Error('nobody has started the outbox');
    this.counter += 1;
    const at = Date.now();
    const place = `${at.toString(36).padStart(9, '0')}.${String(this.counter).padStart(6, '0')}`;
    this.shelf.put({ ...entry, channel, owner: this.owner, at, place, tries: 0, aside: null });
    this.update({ problem: null });
    this.flush();
  }

  /** Take back the newest entry of a channel that is not being sent. Null when there is none. */
  takeBack(channel: string, clientKey?: string): KeptEntry | null {
    const mine = this.pending(channel).filter((each) => each.clientKey !== this.sending);
    const newest = this.pending(channel).at(-1);
    const entry = clientKey ? mine.find((each) => each.clientKey === clientKey) : mine.at(-1);
    if (!entry || (!clientKey && entry !== newest)) return null;
    this.shelf.remove(entry);
    this.update({});
    return entry;
  }

  /** What waits for one channel goes to another from now on, in the order of entry. */
  move(from: string, to: string): void {
    for (const entry of this.shelf.all().filter((each) => each.channel === from)) {
      this.shelf.put({ ...entry, channel: to, tries: 0, aside: null });
    }
    this.held.delete(to);
    this.update({ problem: null });
    this.flush();
  }

  throwAway(entry: KeptEntry): void {
    this.shelf.remove(entry);
    this.update({ problem: null });
  }

  tryAgain(entry: KeptEntry): void {
    this.shelf.put({ ...entry, aside: null, tries: 0 });
    this.update({ problem: null });
    this.flush();
  }

  flush = (): void => {
    if (this.flushing || this.owner === null) return;
    this.flushing = true;
    clearTimeout(this.timer);
    const { locks } = this.parts;
    const run = locks ? locks.request(LOCK, this.sendAll) : this.sendAll();
    void Promise.resolve(run).finally(() => {
      this.flushing = false;
      if (this.next() && !this.mustWait()) this.flush();
    });
  };

  private mustWait(): boolean {
    return this.state.offline || this.state.busy || this.state.needsSignIn;
  }

  private next(): KeptEntry | undefined {
    return this.state.waiting.find((entry) => !this.held.has(entry.channel));
  }

  private readonly sendAll = async (): Promise<void> => {
    this.update({});
    for (let entry = this.next(); entry; entry = this.next()) {
      this.sending = entry.clientKey;
      const goOn = await this.sendOne(entry);
      this.sending = null;
      if (!goOn) return;
    }
  };

  private async sendOne(entry: KeptEntry): Promise<boolean> {
    try {
      const answer = await this.parts.send(entry);
      this.parts.onAnswer(entry, answer);
      this.shelf.remove(entry);
      this.update({ offline: false, busy: false, needsSignIn: false });
      return true;
    } catch (error) {
      return error instanceof ApiError ? this.refused(entry, error) : this.waitFor('offline');
    }
  }

  private async refused(entry: KeptEntry, error: ApiError): Promise<boolean> {
    if (this.parts.holds?.(entry, error)) {
      this.held.add(entry.channel);
      this.update({ offline: false, busy: false, problem: error.message });
      return true;
    }
    if (LATER.includes(error.status)) return this.waitFor('busy');
    if (error.status < 500) {
      // What another teacher is refused says nothing of the entry.
      const here = await this.parts.whoIsHere().catch(() => entry.owner);
      if (here !== entry.owner) {
        this.update({ needsSignIn: true });
        return false;
      }
      if (!SIGN_IN.includes(error.status)) {
        this.setAside(entry, error);
        return true;
      }
    }
    if (entry.tries + 1 >= MOST_TRIES) {
      this.setAside(entry, error);
      return true;
    }
    this.shelf.put({ ...entry, tries: entry.tries + 1 });
    return this.waitFor('busy');
  }

  private setAside(entry: KeptEntry, error: ApiError): void {
    const words = refusal(error);
    if (entry.kind === 'undo') this.shelf.remove(entry);
    else this.shelf.put({ ...entry, aside: words });
    this.update({ offline: false, busy: false, problem: words });
    this.parts.onStale(entry);
  }

  private waitFor(why: 'offline' | 'busy'): false {
    this.update({ offline: why === 'offline', busy: why === 'busy' });
    this.timer = setTimeout(this.flush, this.parts.retryAfter ?? RETRY_AFTER);
    return false;
  }

  private readonly onOtherTab = (event: Event): void => {
    const { key, oldValue, newValue } = event as StorageEvent;
    if (!key?.startsWith(PREFIX)) return;
    this.update({});
    const gone = newValue === null ? readKept(oldValue) : null;
    if (gone && gone.owner === this.owner) this.parts.onStale(gone);
  };

  private update(change: Partial<OutboxState>): void {
    const mine = this.shelf.all().filter((entry) => entry.owner === this.owner);
    this.state = {
      ...this.state,
      ...change,
      isFull: this.shelf.isFull,
      waiting: mine.filter((entry) => entry.aside === null),
      aside: mine.filter((entry) => entry.aside !== null),
    };
    for (const listener of this.listeners) listener();
  }
}
