import { ApiError } from '../api/client';
import type { KeptEntry } from './entry';
import { type BrowserStorage } from './shelf';
import * as say from '../messages/compiled/outbox';

export interface OutboxState {
  /** Entries of this owner that are on their way. */
  waiting: readonly KeptEntry[];
  /** Entries that the server could not take, each with its words. */
  aside: readonly KeptEntry[];
  offline: boolean;
  busy: boolean;
  needsSignIn: boolean;
  /** The browser has no room: what waits goes when the page is closed. */
  isFull: boolean;
  /** What the server said to the newest refusal. */
  problem: string | null;
}

interface Locks {
  request: (name: string, run: () => Promise<void>) => Promise<unknown>;
}

export interface Parts {
  send: (entry: KeptEntry) => Promise<unknown>;
  onAnswer: (entry: KeptEntry, answer: unknown) => void;
  /** The entry was refused, or another tab has sent it: what is shown may be old. */
  onStale: (entry: KeptEntry) => void;
  /** Who is signed in now, asked of the server; null for nobody. */
  whoIsHere: () => Promise<string | null>;
  storage: BrowserStorage;
  /** Tells with an "online" event that the connection is back, with "storage" of other tabs. */
  window: Pick<EventTarget, 'addEventListener' | 'removeEventListener'>;
  /** Only one tab sends at a time, where the browser can see to that. */
  locks?: Locks | undefined;
  /** Answers after which the entries of one channel wait for better days and the others go on. */
  holds?: (entry: KeptEntry, error: ApiError) => boolean;
  retryAfter?: number;
}

export function refusal(error: ApiError): string {
  const first = error.fields[0];
  return first ? `${error.message} ${first.field}: ${first.problem}` : error.message;
}

/** What stands beside the work: all is saved, on its way, or kept here. */
export function savedWords(state: OutboxState): string {
  const { waiting, aside, offline, busy, needsSignIn, isFull, problem } = state;
  if (isFull) return say.keepThisPageOpenCould({ count: waiting.length });
  if (needsSignIn) return say.signedOutKeptHere({ count: waiting.length });
  if (offline && waiting.length > 0) return say.noConnectionKeptHere({ count: waiting.length });
  if (busy && waiting.length > 0) return say.jolfIsBusyKeptHere({ count: waiting.length });
  if (problem !== null) return problem;
  if (waiting.length === 0 && aside.length > 0) return say.notTaken({ count: aside.length });
  return waiting.length > 0 ? say.saving() : say.saved();
}
