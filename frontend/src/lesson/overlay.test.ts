import { describe, expect, it } from 'vitest';

import type { Finding, Lesson } from '../api/client';
import type { Entry } from '../outbox/entry';
import { nextUndo, withEntries } from './overlay';

const base = {
  findings: {
    'web.closed': { grade: 2, by_finger: {}, value: null, compared: null, accepted: null },
    'tip.gives': {
      grade: 3,
      by_finger: { '3': 1, '4': 3 },
      value: null,
      compared: null,
      accepted: null,
    },
  } as Record<string, Finding>,
  skipped: ['nail.pale'],
  asked: false,
  reports: {},
  complaint: null,
  teacher_line: '',
  review: [{ item: 7, passed: null }],
} as unknown as Lesson;

function after(kind: string, key: string, value: unknown): Lesson {
  const entry: Entry = { clientKey: 'k', kind, key, value };
  return withEntries(base, [entry]);
}

describe('a lesson with entries that are on their way', () => {
  it.each([
    ['a grade', 'web.closed', 0, { grade: 0 }],
    ['another finger', 'tip.gives/2', 2, { grade: 3, by_finger: { '2': 2, '3': 1, '4': 3 } }],
    ['the worst finger lowered', 'tip.gives/4', 0, { grade: 1, by_finger: { '3': 1, '4': 0 } }],
    ['a first finger', 'middle.locks/4', 1, { grade: 1, by_finger: { '4': 1 } }],
  ])('shows %s at once', (_name, key, value, expected) => {
    const evidence = key.split('/')[0] ?? '';
    expect(after('observation', key, value).findings[evidence]).toMatchObject(expected);
  });

  it('shows a grade taken away as not checked', () => {
    expect(after('observation', 'web.closed', null).findings).not.toHaveProperty('web.closed');
  });

  it('drops a finding when its last finger is taken away', () => {
    const one = withEntries(base, [
      { clientKey: 'a', kind: 'observation', key: 'tip.gives/3', value: null },
      { clientKey: 'b', kind: 'observation', key: 'tip.gives/4', value: null },
    ]);
    expect(one.findings).not.toHaveProperty('tip.gives');
  });

  it('shows skips, answers, complaint, line and last week’s results', () => {
    expect(after('skip', 'web.closed', true).skipped).toEqual(['nail.pale', 'web.closed']);
    expect(after('skip', 'nail.pale', false).skipped).toEqual([]);
    expect(after('reports', '', { pain: 2 })).toMatchObject({ asked: true, reports: { pain: 2 } });
    expect(after('reports', '', null)).toMatchObject({ asked: false, reports: {} });
    expect(after('complaint', '', 'thumb.tired').complaint).toBe('thumb.tired');
    expect(after('line', '', 'Soft.').teacher_line).toBe('Soft.');
    expect(after('result', '7', { passed: true }).review[0]?.passed).toBe(true);
    expect(after('result', '7', null).review[0]?.passed).toBeNull();
  });

  it('leaves what only the server can work out, and the lesson it was given', () => {
    expect(after('focus', '', ['over_pressing'])).toEqual(base);
    after('observation', 'web.closed', 0);
    expect(base.findings['web.closed']?.grade).toBe(2);
  });
});

describe('what undo takes back next', () => {
  const known = {
    ...base,
    undoable: [
      { key: 'new', words: 'grade' },
      { key: 'old', words: 'grade' },
    ],
  };
  const entry = (clientKey: string, kind: string, key = ''): Entry => ({
    clientKey,
    kind,
    key,
    value: 1,
  });

  it.each([
    ['the newest that the server knows', [], 'new'],
    ['what is on its way first', [entry('a', 'line'), entry('b', 'line')], 'b'],
    ['the one before, when one undo is on its way', [entry('u', 'undo', 'new')], 'old'],
    ['nothing when all is undone', [entry('u', 'undo', 'new'), entry('v', 'undo', 'old')], null],
  ])('is %s', (_name, entries, expected) => {
    expect(nextUndo(known, entries)).toBe(expected);
  });

  it('shows an entry on its way as gone once its undo is on its way too', () => {
    const grade = { clientKey: 'a', kind: 'observation', key: 'web.closed', value: 0 };
    expect(withEntries(base, [grade]).findings['web.closed']?.grade).toBe(0);
    const both = withEntries(base, [grade, entry('u', 'undo', 'a')]);
    expect(both.findings['web.closed']?.grade).toBe(2);
  });
});
