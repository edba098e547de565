import { describe, expect, it } from 'vitest';

import type { Catalogue, Lesson } from '../api/client';
import {
  atTempo,
  changed,
  exercisesToAdd,
  firstHit,
  itemsOf,
  moreOrLess,
  movedTo,
  onRung,
  type PlanItem,
  weekOf,
  wishOf,
  withDay,
  withPlan,
} from './planDraft';

const item: PlanItem = {
  exercise: 'thumb_taps',
  name: 'Thumb taps',
  kind: 'release',
  rung: 2,
  rungs: 4,
  rung_words: '',
  reps: 10,
  sets: 2,
  dose: '',
  minutes: 1,
  days: [1, 2, 3],
  tempo: null,
  goal: null,
  tempo_work: false,
  tempo_steps: [],
  fingers: [],
  why: '',
  because: '',
  does: '',
  takes_piece: false,
  in_piece: null,
  spot: null,
};
const WISH = { exercise: 'thumb_taps', rung: 2, reps: 10, sets: 2, days: [1, 2, 3], spot: null };

describe('changing the week by hand', () => {
  it('sends only what the server needs', () => {
    expect(wishOf(item)).toEqual(WISH);
  });

  it.each([
    ['tempo', { tempo: 60, goal: 96 }, 4, { tempo: 64, goal: 96 }],
    ['goal', { tempo: 60, goal: 96 }, -4, { tempo: 60, goal: 92 }],
    ['tempo', { tempo: 94, goal: 96 }, 4, { tempo: 98, goal: 98 }],
    ['goal', { tempo: 60, goal: 62 }, -4, { tempo: 60, goal: 60 }],
    ['tempo', { tempo: 32, goal: 96 }, -4, { tempo: 30, goal: 96 }],
    ['goal', { tempo: 60, goal: 206 }, 4, { tempo: 60, goal: 208 }],
    ['tempo', { tempo: null, goal: null }, 4, { tempo: 64, goal: 96 }],
  ] as const)('the goal never lies below the start: %s of %o by %i', (which, now, by, after) => {
    expect(atTempo({ ...item, ...now }, which, by)).toMatchObject(after);
  });

  it('offers what is not there yet, of this instrument, the best for the focus first', () => {
    const exercise = (id: string, ...instruments: string[]) => ({ id, name: id, instruments });
    const catalogue = {
      exercises: [
        exercise('thumb_taps', 'vn'),
        exercise('for_cello', 'vc'),
        exercise('b', 'vn', 'va'),
        exercise('a', 'vn'),
        exercise('best', 'vn'),
      ],
    } as unknown as Catalogue;
    const lesson = {
      player: { instrument: 'vn' },
      plan: { items: [item] },
      proposal: { items: [], offered: ['best', 'a'] },
    } as unknown as Lesson;
    expect(exercisesToAdd(lesson, catalogue).map(({ id }) => id)).toEqual(['best', 'a', 'b']);
  });

  it.each([
    [1, 3],
    [-1, 1],
    [5, 4],
    [-5, 1],
  ])('a rung changed by %i stays on the ladder', (by, rung) => {
    expect(onRung(item, by)).toEqual({ exercise: 'thumb_taps', rung, days: [1, 2, 3], spot: null });
  });

  it.each([
    [{ sets: 2 }, 1, { sets: 3 }],
    [{ sets: 2 }, -1, { sets: 1 }],
    [{ sets: 6 }, 1, { sets: 6 }],
    [{ sets: 1, reps: 5 }, 1, { sets: 1, reps: 6 }],
    [{ sets: 1, reps: 5 }, -1, { sets: 1, reps: 4 }],
    [{ sets: 1, reps: 1 }, 1, { sets: 2, reps: 1 }],
    [{ sets: 1, reps: 1 }, -1, { sets: 1, reps: 1 }],
  ])('a dose of %o changed by %i becomes %o', (now, by, expected) => {
    expect(moreOrLess({ ...item, ...now }, by)).toMatchObject(expected);
  });

  it('a day is put in or taken out, but one always stays', () => {
    expect(withDay(item, 5).days).toEqual([1, 2, 3, 5]);
    expect(withDay(item, 2).days).toEqual([1, 3]);
    expect(withDay({ ...item, days: [4] }, 4).days).toEqual([4]);
  });

  it('one exercise changes and the others stay', () => {
    const other = { ...item, exercise: 'rod_pivot' };
    expect(changed([item, other], 'rod_pivot', (wish) => ({ ...wish, rung: 3 }))).toEqual([
      WISH,
      { ...WISH, exercise: 'rod_pivot', rung: 3 },
    ]);
  });

  it('the given plan stands before the proposal', () => {
    const proposal = { items: [item] };
    expect(itemsOf({ plan: null, proposal } as unknown as Lesson)).toEqual([item]);
    expect(itemsOf({ plan: { items: [] }, proposal } as unknown as Lesson)).toEqual([]);
  });

  it.each([
    ['a', 2, 'bca'],
    ['c', 0, 'cab'],
    ['b', 1, 'abc'],
    ['x', 0, 'abc'],
  ])('%s moved to place %i makes %s', (exercise, place, expected) => {
    const week = ['a', 'b', 'c'].map((name) => ({ ...item, exercise: name }));
    expect(
      movedTo(week, exercise, place)
        .map((wish) => wish.exercise)
        .join(''),
    ).toBe(expected);
  });

  it('the week adds up day by day and names the days that load the hand', () => {
    const week = [
      { ...item, minutes: 2, days: [1, 2] },
      { ...item, kind: 'strength', minutes: 1.5, days: [2] },
    ];
    const days = weekOf(week);
    expect(days.map((each) => each.minutes)).toEqual([2, 3.5, 0, 0, 0, 0, 0]);
    expect(days.map((each) => each.loads).indexOf(true)).toBe(1);
  });
});

describe('a week on its way', () => {
  const lesson = {
    plan: null,
    proposal: { items: [item], minutes_a_day: 1 },
    alternatives: [],
  } as unknown as Lesson;

  it('shows its numbers at once, so that quick touches add up', () => {
    let now = lesson;
    for (let touch = 0; touch < 3; touch += 1) {
      const change = () => moreOrLess(itemsOf(now)[0] ?? item, 1);
      now = withPlan(now, changed(itemsOf(now), 'thumb_taps', change));
    }
    expect(itemsOf(now)[0]).toMatchObject({ sets: 5, reps: 10 });
  });

  it('is taken back by nothing, and leaves out what nobody knows', () => {
    const given = withPlan(lesson, [wishOf(item), { exercise: 'unknown' }]);
    expect(itemsOf(given)).toHaveLength(1);
    expect(withPlan(given, null).plan).toBeNull();
  });
});

it('typing finds the first name that begins with it, else one that holds it', () => {
  const choices = [
    { id: 'a', name: 'Soft thumb' },
    { id: 'b', name: 'Thumb taps' },
  ];
  expect(firstHit(choices, 'thumb')?.id).toBe('b');
  expect(firstHit(choices, ' SOFT ')?.id).toBe('a');
  expect(firstHit(choices, 'harp')).toBeNull();
});
