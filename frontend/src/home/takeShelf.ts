import { createStore, del, entries, set, type UseStore } from 'idb-keyval';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { formBody } from '../api/form';
import { newKey } from '../api/newKey';
import * as say from '../messages/compiled/home';

/** A recording that is on its way; it waits on this phone while there is no network. */
export interface WaitingTake {
  token: string;
  date: string;
  sound: Blob;
}

/** Why takes go on waiting. */
export type Held = 'offline' | 'busy' | 'ended';

export interface Sending {
  sent: Sent[];
  /** Null when none waits any more. */
  held: Held | null;
}

interface Sent {
  take: WaitingTake;
  /** What came back: taken, or why not. */
  words: string;
  usable: boolean;
}

const TAKEN = say.itIsWithYourTeacher();
const ENDED = [404, 410];
const BUSY = [401, 408, 425, 429];
// Where the browser keeps nothing (a private window), the page does while it is open.
const inMemory = new Map<string, WaitingTake>();
let opened: UseStore | null = null;

function store(): UseStore {
  opened ??= createStore('jolf-takes', 'waiting');
  return opened;
}

export async function keepTake(take: WaitingTake): Promise<void> {
  const key = newKey();
  try {
    await set(key, take, store());
  } catch {
    inMemory.set(key, take);
  }
}

async function waiting(): Promise<[string, WaitingTake][]> {
  const kept = await entries<string, WaitingTake>(store()).catch(() => []);
  return [...kept, ...inMemory];
}

/** Of one link. */
export async function countWaiting(token: string): Promise<number> {
  return (await waiting()).filter(([, take]) => take.token === token).length;
}

/** Takes of an ended link go with the new one. */
export async function moveTakes(from: string, to: string): Promise<void> {
  for (const [key, take] of await waiting()) {
    if (take.token !== from) continue;
    if (inMemory.has(key)) inMemory.set(key, { ...take, token: to });
    else await set(key, { ...take, token: to }, store()).catch(() => undefined);
  }
}

export async function throwTakesAway(token: string): Promise<void> {
  for (const [key, take] of await waiting()) {
    if (take.token !== token) continue;
    inMemory.delete(key);
    await del(key, store()).catch(() => undefined);
  }
}

let running: Promise<Sending> | null = null;

/** Sends what waits, of earlier weeks too. What the server cannot take now goes on waiting. */
export function sendWaiting(): Promise<Sending> {
  running ??= sendEach().finally(() => {
    running = null;
  });
  return running;
}

async function sendEach(): Promise<Sending> {
  const sent: Sent[] = [];
  let held: Held | null = null;
  for (const [key, take] of await waiting()) {
    try {
      const answer = await send(key, take);
      sent.push({ take, usable: answer.usable, words: answer.usable ? TAKEN : answer.words });
    } catch (error) {
      if (!(error instanceof ApiError)) return { sent, held: 'offline' };
      if (ENDED.includes(error.status)) {
        // Kept until its new link is opened here, or somebody throws it away.
        held = 'ended';
        continue;
      }
      if (error.status >= 500 || BUSY.includes(error.status)) return { sent, held: 'busy' };
      const field = error.fields[0];
      const words =
        field?.field === 'file' ? say.theFile({ problem: field.problem }) : error.message;
      sent.push({ take, usable: false, words });
    }
    inMemory.delete(key);
    await del(key, store()).catch(() => undefined);
  }
  return { sent, held };
}

async function send(
  clientKey: string,
  { token, date, sound }: WaitingTake,
): Promise<Schemas['HomeTakeSentOut']> {
  return unwrap(
    await client.POST('/api/home/{token}/takes', {
      params: { path: { token } },
      ...formBody({ file: sound, date, client_key: clientKey }),
    }),
  );
}
