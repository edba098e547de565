import { describe, expect, it, vi } from 'vitest';

import { ApiError, type Lesson } from './client';
import { type Entry, EntryQueue } from './entryQueue';

const KEY = 'jolf.lesson.1';
const RETRY = 5;

function entry(clientKey: string, value = 1): Entry {
  return { clientKey, kind: 'observation', key: 'web.closed', value };
}

function memory(kept: Record<string, string> = {}) {
  return {
    kept,
    getItem: (key: string) => kept[key] ?? null,
    setItem: (key: string, value: string) => {
      kept[key] = value;
    },
    removeItem: (key: string) => {
      kept[key] = '';
    },
  };
}

function lessonOf(sent: Entry): Lesson {
  return { id: 1, revision: Number(sent.value) } as Lesson;
}

function make(send: (sent: Entry) => Promise<Lesson>, storage = memory()) {
  const onAnswer = vi.fn();
  const onRefused = vi.fn();
  const network = new EventTarget();
  const parts = { send, onAnswer, onRefused, storage, storageKey: KEY, network, retryAfter: RETRY };
  const queue = new EntryQueue(parts);
  const stop = queue.subscribe(() => undefined);
  return { queue, onAnswer, onRefused, storage, stop };
}

describe('entries on their way', () => {
  it('are sent one after the other in the order of entry', async () => {
    const order: string[] = [];
    const { queue, onAnswer } = make((sent) => {
      order.push(sent.clientKey);
      return Promise.resolve(lessonOf(sent));
    });
    queue.push(entry('a', 1));
    queue.push(entry('b', 2));
    queue.push(entry('c', 3));
    await vi.waitFor(() => expect(queue.snapshot().waiting).toBe(0));
    expect(order).toEqual(['a', 'b', 'c']);
    expect(onAnswer.mock.calls.map(([lesson]) => (lesson as Lesson).revision)).toEqual([1, 2, 3]);
  });

  it('are kept and sent again when there is no connection', async () => {
    let online = false;
    const sent: string[] = [];
    const { queue, storage } = make((one) => {
      if (!online) return Promise.reject(new TypeError('no network'));
      sent.push(one.clientKey);
      return Promise.resolve(lessonOf(one));
    });
    queue.push(entry('a'));
    queue.push(entry('b'));
    await vi.waitFor(() => expect(queue.snapshot()).toMatchObject({ offline: true, waiting: 2 }));
    expect(JSON.parse(storage.kept[KEY] ?? '[]')).toHaveLength(2);
    online = true;
    await vi.waitFor(() => expect(queue.snapshot()).toMatchObject({ offline: false, waiting: 0 }));
    expect(sent).toEqual(['a', 'b']);
    expect(storage.kept[KEY]).toBe('');
  });

  it('that were kept by an earlier page are sent by the next one', async () => {
    const storage = memory({ [KEY]: JSON.stringify([entry('old')]) });
    const sent: string[] = [];
    const { queue } = make((one) => {
      sent.push(one.clientKey);
      return Promise.resolve(lessonOf(one));
    }, storage);
    await vi.waitFor(() => expect(queue.snapshot().waiting).toBe(0));
    expect(sent).toEqual(['old']);
  });

  it('do not break on storage that cannot be read', () => {
    const { queue } = make((one) => Promise.resolve(lessonOf(one)), memory({ [KEY]: '{broken' }));
    expect(queue.snapshot().waiting).toBe(0);
  });

  it('that the server refuses are dropped with its words, and the rest goes on', async () => {
    const fields = [{ field: 'observations.web.closed', problem: 'expected 0 to 3' }];
    const { queue, onRefused, onAnswer } = make((one) =>
      one.clientKey === 'bad'
        ? Promise.reject(new ApiError(422, 'bad_input', 'Cannot be used.', fields))
        : Promise.resolve(lessonOf(one)),
    );
    queue.push(entry('bad'));
    queue.push(entry('good'));
    await vi.waitFor(() => expect(queue.snapshot().waiting).toBe(0));
    expect(onRefused).toHaveBeenCalledOnce();
    expect(onAnswer).toHaveBeenCalledOnce();
    expect(queue.snapshot().problem).toContain('observations.web.closed: expected 0 to 3');
  });

  it.each([500, 503, 429])('are tried again after an answer of %i', async (status) => {
    let tries = 0;
    const { queue } = make((one) => {
      tries += 1;
      return tries < 3
        ? Promise.reject(new ApiError(status, 'busy', 'Busy.', []))
        : Promise.resolve(lessonOf(one));
    });
    queue.push(entry('a'));
    await vi.waitFor(() => expect(queue.snapshot().waiting).toBe(0));
    expect(tries).toBe(3);
  });

  it('can be taken back, newest first, but not the one being sent', async () => {
    const { queue } = make(() => new Promise<Lesson>(() => undefined));
    queue.push(entry('a'));
    queue.push(entry('b'));
    await Promise.resolve();
    expect(queue.takeBack()).toBe(true);
    expect(queue.pending().map((e) => e.clientKey)).toEqual(['a']);
    expect(queue.takeBack()).toBe(false);
  });

  it('are not retried once nobody listens any more', async () => {
    let tries = 0;
    const { queue, stop } = make(() => {
      tries += 1;
      return Promise.reject(new TypeError('no network'));
    });
    queue.push(entry('a'));
    await vi.waitFor(() => expect(queue.snapshot().offline).toBe(true));
    stop();
    const before = tries;
    await new Promise((resolve) => setTimeout(resolve, RETRY * 4));
    expect(tries).toBe(before);
  });
});
