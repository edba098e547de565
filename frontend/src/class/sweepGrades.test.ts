import { describe, expect, test } from 'vitest';

import type { Schemas } from '../api/client';
import { gradeKey, leftToGrade, nextPlayer, withEntries, withGrade } from './sweepGrades';

function row(id: number, now: Record<string, number>, has = ['a', 'b']): Schemas['SweepRowOut'] {
  const player = { id, name: `P${id}`, instrument: 'vn', level: 'beginner', age: 9, piece: '' };
  return { player, lesson: null, has, now, fingers: {}, before: {}, flag: null, pain: null };
}

const sweep: Schemas['SweepOut'] = {
  id: 1,
  name: 'Group',
  checks: ['a', 'b'],
  rows: [row(1, {}), row(2, { a: 1 }), row(3, {}, ['b']), row(4, {})],
  closer: [],
  pairs: [],
  resting: [],
};

describe('a sweep', () => {
  test('takes a grade and gives it back, of one player and check only', () => {
    const graded = withGrade(sweep, 2, 'a', 3);
    expect(graded.rows[1]?.now).toEqual({ a: 3 });
    expect(withGrade(graded, 2, 'a', null).rows[1]?.now).toEqual({});
    expect(graded.rows[0]).toBe(sweep.rows[0]);
  });

  test('tells on which fingers, until others are told', () => {
    const value = { grade: 2, fingers: [3, 4], seenOn: '2026-03-04' };
    const entry = { kind: 'grade', key: gradeKey(1, 'a'), value, at: 0 };
    expect(withEntries(sweep, [entry]).rows[0]?.fingers).toEqual({ a: [3, 4] });
    const again = { ...entry, value: { grade: 1, seenOn: '2026-03-04' } };
    expect(withEntries(sweep, [entry, again]).rows[0]?.fingers).toEqual({ a: [3, 4] });
    const none = { ...entry, value: { ...value, fingers: [] } };
    expect(withEntries(sweep, [entry, none]).rows[0]?.fingers).toEqual({ a: [] });
  });

  test('knows who is left: those with the check and without a grade', () => {
    expect(leftToGrade(sweep, 'a')).toEqual([1, 4]);
    expect(leftToGrade(sweep, 'b')).toEqual([1, 2, 3, 4]);
  });

  test('goes down the list, then back to the first one left, then stops', () => {
    expect(nextPlayer(sweep, 'a', 1)).toBe(4);
    expect(nextPlayer(sweep, 'a', 4)).toBe(1);
    expect(nextPlayer(withGrade(sweep, 1, 'a', 0), 'a', 4)).toBeNull();
  });

  test('goes to the next one below, also past those in between, and keeps other grades', () => {
    const four = { ...sweep, rows: [row(1, {}), row(2, {}), row(3, {}), row(4, {})] };
    expect(nextPlayer(four, 'a', 2)).toBe(3);
    expect(nextPlayer(withGrade(four, 3, 'a', 1), 'a', 2)).toBe(4);
    expect(nextPlayer(four, 'a', 4)).toBe(1);
    const both = withGrade(withGrade(four, 2, 'a', 1), 2, 'b', 2);
    expect(both.rows[1]?.now).toEqual({ a: 1, b: 2 });
    expect(withGrade(both, 2, 'b', null).rows[1]?.now).toEqual({ a: 1 });
  });

  test('shows what waits to be sent, one after the other', () => {
    const key = gradeKey(1, 'a');
    const waiting = [
      { kind: 'grade', key, value: { grade: 2, seenOn: '2026-03-04' }, at: 0 },
      { kind: 'rest', key: 'a', value: { grade: 0, seenOn: '2026-03-04' }, at: 0 },
      { kind: 'grade', key, value: null, at: 0 },
    ];
    const shown = withEntries(sweep, waiting);
    expect(shown.rows.map((each) => each.now)).toEqual([{}, { a: 1 }, {}, { a: 0 }]);
  });
});
