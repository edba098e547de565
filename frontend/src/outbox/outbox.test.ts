import { afterEach, describe, expect, it, vi } from 'vitest';

import { ApiError } from '../api/client';
import { adoptOldEntries } from './adopt';
import type { Entry, KeptEntry } from './entry';
import { Outbox } from './outbox';
import { type Parts, savedWords } from './outboxState';
import { PREFIX } from './shelf';

const RETRY = 5;
const LESSON = 'lesson/1';
const OWNER = '7';

/** The browser's storage, which two tabs share. */
class Memory {
  kept = new Map<string, string>();
  get length() {
    return this.kept.size;
  }
  key = (index: number) => [...this.kept.keys()][index] ?? null;
  getItem = (key: string) => this.kept.get(key) ?? null;
  setItem = (key: string, value: string) => void this.kept.set(key, value);
  removeItem = (key: string) => void this.kept.delete(key);
}

function entry(clientKey: string, value: unknown = 1, kind = 'observation'): Entry {
  return { clientKey, kind, key: 'web.closed', value };
}

const stops: (() => void)[] = [];
afterEach(() => stops.splice(0).forEach((stop) => stop()));

interface Made {
  storage?: Memory;
  holds?: NonNullable<Parts['holds']>;
  owner?: string;
}

function make(send: Parts['send'], { storage = new Memory(), holds, owner = OWNER }: Made = {}) {
  const onAnswer = vi.fn();
  const onStale = vi.fn();
  const whoIsHere = vi.fn(() => Promise.resolve<string | null>(OWNER));
  const page = new EventTarget();
  const outbox = new Outbox({
    send,
    onAnswer,
    onStale,
    whoIsHere,
    storage,
    window: page,
    retryAfter: RETRY,
    ...(holds ? { holds } : {}),
  });
  stops.push(outbox.start(owner));
  return { outbox, onAnswer, onStale, whoIsHere, storage, page };
}

const refuse = (status: number, code = 'no') =>
  Promise.reject(new ApiError(status, code, `Said ${status}.`, []));
const sentBy = (order: string[]) => (one: KeptEntry) => {
  order.push(one.clientKey);
  return Promise.resolve(one.value);
};
const empty = (outbox: Outbox) =>
  vi.waitFor(() => expect(outbox.snapshot().waiting).toHaveLength(0));

describe('entries on their way', () => {
  it('are sent one after the other in the order of entry, each answered', async () => {
    const order: string[] = [];
    const { outbox, onAnswer, storage } = make(sentBy(order));
    ['a', 'b', 'c'].forEach((key, index) => outbox.push(LESSON, entry(key, index)));
    await empty(outbox);
    expect(order).toEqual(['a', 'b', 'c']);
    expect(onAnswer.mock.calls.map((call) => call[1] as number)).toEqual([0, 1, 2]);
    expect(storage.length).toBe(0);
  });

  it('are kept and sent again when there is no connection', async () => {
    let online = false;
    const order: string[] = [];
    const { outbox, storage } = make((one) =>
      online ? sentBy(order)(one) : Promise.reject(new TypeError('no network')),
    );
    outbox.push(LESSON, entry('a'));
    outbox.push('group/2', entry('b'));
    await vi.waitFor(() => expect(outbox.snapshot().offline).toBe(true));
    expect(storage.length).toBe(2);
    expect(savedWords(outbox.snapshot())).toBe('No connection: 2 entries kept here');
    online = true;
    await empty(outbox);
    expect(order).toEqual(['a', 'b']);
  });

  it('that an earlier page kept are sent by whatever page opens next', async () => {
    const storage = new Memory();
    const first = make(() => Promise.reject(new TypeError('no network')), { storage });
    first.outbox.push('lesson/5', entry('old'));
    const order: string[] = [];
    const { outbox } = make(sentBy(order), { storage });
    await empty(outbox);
    expect(order).toEqual(['old']);
  });

  it('of two tabs do not overwrite each other', async () => {
    const storage = new Memory();
    const none = () => new Promise<unknown>(() => undefined);
    const one = make(none, { storage });
    const two = make(none, { storage });
    one.outbox.push(LESSON, entry('a'));
    two.outbox.push(LESSON, entry('b'));
    one.outbox.push(LESSON, entry('c'));
    await Promise.resolve();
    expect([...storage.kept.keys()]).toEqual(['a', 'b', 'c'].map((key) => PREFIX + key));
  });

  it('that another tab has sent make this one read again', () => {
    const { outbox, onStale, page, storage } = make(() => new Promise(() => undefined));
    outbox.push(LESSON, entry('a'));
    const [key = '', oldValue = ''] = [...storage.kept][0] ?? [];
    storage.kept.clear();
    page.dispatchEvent(Object.assign(new Event('storage'), { key, oldValue, newValue: null }));
    expect(onStale).toHaveBeenCalledOnce();
    expect(outbox.snapshot().waiting).toHaveLength(0);
  });

  it('of one teacher are never sent as another', async () => {
    const storage = new Memory();
    make(() => Promise.reject(new TypeError('no network')), { storage }).outbox.push(
      LESSON,
      entry('mine'),
    );
    const order: string[] = [];
    const other = make(sentBy(order), { storage, owner: '8' });
    other.outbox.push(LESSON, entry('theirs'));
    await empty(other.outbox);
    expect(order).toEqual(['theirs']);
    const back = make(sentBy(order), { storage });
    await empty(back.outbox);
    expect(order).toEqual(['theirs', 'mine']);
  });

  it('are held by the page, and say so, when the storage has no room', async () => {
    const storage = new Memory();
    storage.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    let online = false;
    const order: string[] = [];
    const { outbox } = make(
      (one) => (online ? sentBy(order)(one) : Promise.reject(new TypeError('no network'))),
      { storage },
    );
    outbox.push(LESSON, entry('a'));
    outbox.push(LESSON, entry('b'));
    expect(savedWords(outbox.snapshot())).toContain('Keep this page open: 2 entries');
    online = true;
    await empty(outbox);
    expect([order, outbox.snapshot().isFull]).toEqual([['a', 'b'], false]);
  });

  it('do not break on storage that cannot be read', async () => {
    const storage = new Memory();
    storage.setItem(`${PREFIX}x`, '{broken');
    storage.setItem(`${PREFIX}y`, '{"clientKey": 3}');
    storage.setItem('another', '1');
    const { outbox } = make(sentBy([]), { storage });
    outbox.push(LESSON, entry('a'));
    await empty(outbox);
    expect(storage.length).toBe(3);
  });
});

describe('an answer that is no', () => {
  it.each([401, 403])('of %i holds everything until the owner is back', async (status) => {
    let signedIn = false;
    const order: string[] = [];
    const { outbox, whoIsHere } = make((one) => (signedIn ? sentBy(order)(one) : refuse(status)));
    whoIsHere.mockImplementation(() => Promise.resolve(signedIn ? OWNER : null));
    outbox.push(LESSON, entry('a'));
    outbox.push(LESSON, entry('b'));
    await vi.waitFor(() => expect(outbox.snapshot().needsSignIn).toBe(true));
    expect(savedWords(outbox.snapshot())).toBe('Signed out: 2 entries kept here');
    signedIn = true;
    stops.push(outbox.start(OWNER));
    await empty(outbox);
    expect(order).toEqual(['a', 'b']);
    expect(outbox.snapshot().needsSignIn).toBe(false);
  });

  it('given to another teacher who signed in meanwhile holds the entry, too', async () => {
    const { outbox, whoIsHere } = make(() => refuse(404));
    whoIsHere.mockImplementation(() => Promise.resolve('8'));
    outbox.push(LESSON, entry('a'));
    await vi.waitFor(() => expect(outbox.snapshot().needsSignIn).toBe(true));
    expect([outbox.snapshot().waiting.length, outbox.snapshot().aside.length]).toEqual([1, 0]);
  });

  it.each([408, 429, 503])('of %i is asked again as often as it takes', async (status) => {
    let tries = 0;
    const { outbox } = make(() => {
      tries += 1;
      return tries < 6 ? refuse(status) : Promise.resolve(1);
    });
    const said = new Set<string>();
    outbox.subscribe(() => said.add(savedWords(outbox.snapshot())));
    outbox.push(LESSON, entry('a'));
    await empty(outbox);
    expect(said).toContain('Jolf is busy: 1 entry kept here');
    expect([tries, outbox.snapshot().aside.length]).toEqual([6, 0]);
  });

  it.each([400, 404, 409, 413, 422])('of %i sets aside, with its words', async (status) => {
    const order: string[] = [];
    const { outbox, onStale, storage } = make((one) =>
      one.clientKey === 'bad' ? refuse(status) : sentBy(order)(one),
    );
    outbox.push(LESSON, entry('bad'));
    outbox.push(LESSON, entry('good'));
    await empty(outbox);
    expect(order).toEqual(['good']);
    expect(outbox.snapshot().aside.map((each) => each.aside)).toEqual([`Said ${status}.`]);
    expect(onStale).toHaveBeenCalledOnce();
    expect(storage.length).toBe(1);
  });

  it('of 500 is tried three times, then set aside, and never holds up the others', async () => {
    let tries = 0;
    const order: string[] = [];
    const { outbox } = make((one) => {
      if (one.clientKey !== 'bad') return sentBy(order)(one);
      tries += 1;
      return refuse(500);
    });
    outbox.push(LESSON, entry('bad'));
    outbox.push(LESSON, entry('good'));
    await empty(outbox);
    expect([tries, order]).toEqual([3, ['good']]);
    expect(outbox.snapshot().aside).toHaveLength(1);
  });

  it('can be answered: try again, or throw away', async () => {
    let takes = false;
    const { outbox } = make(() => (takes ? Promise.resolve(1) : refuse(422)));
    outbox.push(LESSON, entry('a'));
    outbox.push(LESSON, entry('b'));
    await vi.waitFor(() => expect(outbox.snapshot().aside).toHaveLength(2));
    const [a, b] = outbox.snapshot().aside as [KeptEntry, KeptEntry];
    outbox.throwAway(b);
    takes = true;
    outbox.tryAgain(a);
    await empty(outbox);
    expect(outbox.snapshot().aside).toHaveLength(0);
  });

  it('to an undo is told and not kept', async () => {
    const { outbox, storage } = make(() => refuse(409));
    outbox.push(LESSON, entry('a', null, 'undo'));
    await empty(outbox);
    expect([outbox.snapshot().problem, storage.length]).toEqual(['Said 409.', 0]);
  });

  it('that ends one channel keeps its entries and lets the others go', async () => {
    const order: string[] = [];
    const { outbox, storage } = make(
      (one) => (one.channel === 'home/x' ? refuse(410) : sentBy(order)(one)),
      { holds: (_, error) => error.status === 410 },
    );
    outbox.push('home/x', entry('kept'));
    outbox.push('home/y', entry('sent'));
    await vi.waitFor(() => expect(order).toEqual(['sent']));
    expect(storage.length).toBe(1);
  });
});

describe('taking back', () => {
  it('works for the newest that is not being sent, and for one by its key', async () => {
    const send = vi.fn(() => new Promise(() => undefined));
    const { outbox } = make(send);
    outbox.push(LESSON, entry('a'));
    await vi.waitFor(() => expect(send).toHaveBeenCalledOnce());
    expect(outbox.takeBack(LESSON)).toBeNull();
    outbox.push(LESSON, entry('b'));
    outbox.push('lesson/2', entry('c'));
    expect(outbox.takeBack(LESSON)?.clientKey).toBe('b');
    expect(outbox.takeBack(LESSON)).toBeNull();
    expect(outbox.takeBack('lesson/2', 'c')?.clientKey).toBe('c');
    expect(outbox.pending(LESSON).map((each) => each.clientKey)).toEqual(['a']);
  });
});

describe('entries of an earlier version of the pages', () => {
  it('are handed over once', () => {
    const storage = new Memory() as unknown as Storage & Memory;
    storage.setItem('jolf.lesson.3', JSON.stringify([entry('a'), entry('b')]));
    storage.setItem('jolf.home.tok', '{broken');
    const pushed: [string, string][] = [];
    const proxy = new Proxy(storage, {
      ownKeys: () => [...storage.kept.keys()],
      getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
    });
    adoptOldEntries(
      proxy,
      (channel) => channel !== 'home/tok',
      (channel, each) => pushed.push([channel, each.clientKey]),
    );
    expect(pushed).toEqual([
      ['lesson/3', 'a'],
      ['lesson/3', 'b'],
    ]);
    expect([...storage.kept.keys()]).toEqual(['jolf.home.tok']);
  });
});

describe('entries that are held up', () => {
  it('that another owner held up hold nothing up for the next one', async () => {
    const order: string[] = [];
    let holding = true;
    const { outbox } = make((one) => (holding ? refuse(410) : sentBy(order)(one)), {
      holds: () => true,
    });
    outbox.push(LESSON, entry('a'));
    await vi.waitFor(() => expect(outbox.snapshot().problem).not.toBeNull());
    holding = false;
    stops.push(outbox.start('8'));
    outbox.push(LESSON, entry('b'));
    await empty(outbox);
    expect(order).toEqual(['b']);
    // The same owner again: what was held up is tried once more.
    stops.push(outbox.start(OWNER));
    await empty(outbox);
    expect(order).toEqual(['b', 'a']);
  });

  it('that were held up stay so while the same owner is told of again', async () => {
    const send = vi.fn(() => refuse(410));
    const { outbox } = make(send, { holds: () => true });
    outbox.push(LESSON, entry('a'));
    await vi.waitFor(() => expect(send).toHaveBeenCalledTimes(1));
    stops.push(outbox.start(OWNER));
    await new Promise((done) => setTimeout(done, 3 * RETRY));
    expect(send).toHaveBeenCalledTimes(1);
  });
});
