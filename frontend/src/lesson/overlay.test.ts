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

describe('every kind of entry shows at once', () => {
  const told = {
    ...base,
    complaint_finger: 2,
    again: [
      { key: 'thumb', answer: '' },
      { key: 'tired', answer: '' },
    ],
    break_weeks: null,
    paper_week: { planned: [1], practised: null },
    harder_piece: false,
    fit: { change: 'pad', judged: '' },
    one_thing: '',
    home_take: '',
    review: [
      { item: 7, passed: null, pain: null },
      { item: 8, passed: true, pain: 2 },
    ],
  } as unknown as Lesson;
  const shown = (kind: string, key: string, value: unknown) =>
    withEntries(told, [{ clientKey: 'k', kind, key, value }]);

  it.each([
    ['complaint', '', 'nail.pale', { complaint: 'nail.pale', complaint_finger: null }],
    ['complaint', '', null, { complaint: null }],
    ['complaint_finger', '', 4, { complaint_finger: 4 }],
    ['break', '', 3, { break_weeks: 3 }],
    ['practised', '', ['2026-03-05'], { paper_week: { planned: [1], practised: ['2026-03-05'] } }],
    ['harder', '', true, { harder_piece: true }],
    ['harder', '', false, { harder_piece: false }],
    ['fit', '', 'helped', { fit: { change: 'pad', judged: 'helped' } }],
    ['one_thing', '', 'Soft.', { one_thing: 'Soft.' }],
    ['home_take', '', 'fourth.low', { home_take: 'fourth.low' }],
  ])('%s %s %j', (kind, key, value, expected) => {
    expect(shown(kind, key, value)).toMatchObject(expected);
  });

  it('an answer about last time, of that question only, and taken back', () => {
    expect(shown('again', 'thumb', 'less').again.map((each) => each.answer)).toEqual(['less', '']);
    const back = withEntries(shown('again', 'thumb', 'less'), [
      { clientKey: 'b', kind: 'again', key: 'thumb', value: null },
    ]);
    expect(back.again.map((each) => each.answer)).toEqual(['', '']);
  });

  it('a result of that exercise only, with its pain', () => {
    const { review } = shown('result', '7', { passed: false, pain: 3 });
    expect(review.map((row) => [row.passed, row.pain])).toEqual([
      [false, 3],
      [true, 2],
    ]);
  });

  it('nothing where there is no paper week and no fit', () => {
    const bare = { ...told, paper_week: null, fit: null } as unknown as Lesson;
    const entry = (kind: string, value: unknown) => [{ clientKey: 'k', kind, key: '', value }];
    expect(withEntries(bare, entry('practised', [])).paper_week).toBeNull();
    expect(withEntries(bare, entry('fit', 'helped')).fit).toBeNull();
  });

  it('a finding beside the others, and none for a value that only the server can grade', () => {
    const { findings } = shown('observation', 'nail.pale', 2);
    expect(Object.keys(findings).sort()).toEqual(['nail.pale', 'tip.gives', 'web.closed']);
    expect(shown('observation', 'web.closed', { value: 12 }).findings).toEqual(told.findings);
  });

  it('an undo takes back the entry that it names and no other', () => {
    const two = [
      { clientKey: 'a', kind: 'line', key: '', value: 'one' },
      { clientKey: 'b', kind: 'one_thing', key: 'a', value: 'two' },
    ];
    expect(withEntries(told, two)).toMatchObject({ teacher_line: 'one', one_thing: 'two' });
  });
});
