import { describe, expect, it } from 'vitest';

import type { Evidence, Finding, Lesson } from '../api/client';
import { nearestSpot, type Spot } from '../drawings/places';
import {
  askedFirst,
  checksAt,
  firstFingers,
  gradeAt,
  isDone,
  placeless,
  trialsInOrder,
} from './lookList';

function evidence(id: string, more: Partial<Evidence> = {}): Evidence {
  return {
    id,
    stage: 'down',
    seconds: 5,
    per_finger: false,
    of_finger: null,
    causes: [],
    instruments: ['vn'],
    pictured: [],
    measure: null,
    pair: null,
    photo: null,
    by_ear: false,
    unit: null,
    place: 'thumb',
    label: id,
    look: '',
    note: '',
    free: '',
    means: ['', '', ''],
    child: '',
    ...more,
  };
}

function finding(grade: number, byFinger: Record<string, number> = {}): Finding {
  return { grade, by_finger: byFinger, value: null, compared: null, accepted: null };
}

const TIP = evidence('tip.gives', { place: 'tip', per_finger: true });
const FOURTH = evidence('fourth.low', { place: 'tip', of_finger: 4 });
const DRAG = evidence('string.dragged', { place: 'tip' });
const LOCKED = evidence('thumb.locked');
const FADES = evidence('fades.early', { place: 'none', stage: 'fast' });
const TRY_A = evidence('try.lighter', { place: 'none', stage: 'trial' });
const TRY_B = evidence('try.let_go', { place: 'none', stage: 'trial' });
const TRY_C = evidence('try.thumb_off', { place: 'none', stage: 'trial' });
const ALL = [TIP, FOURTH, DRAG, LOCKED, FADES, TRY_A, TRY_B, TRY_C];

const lesson = {
  findings: { 'tip.gives': finding(3, { '3': 1, '4': 3 }), 'thumb.locked': finding(0) },
  skipped: ['string.dragged'],
  previous: { findings: { 'middle.locks': finding(2, { '2': 2, '4': 1 }) } },
  settle: 'try.thumb_off',
  causes: [
    { word: 'likely', settle: 'try.let_go' },
    { word: 'unlikely', settle: 'try.lighter' },
  ],
} as unknown as Lesson;

const tip = (finger: number) => ({ place: 'tip', finger });

describe('checks at a touched place', () => {
  it('are those of the place, and of that finger where one is meant', () => {
    expect(checksAt(ALL, tip(4)).map((e) => e.id)).toEqual([
      'tip.gives',
      'fourth.low',
      'string.dragged',
    ]);
    expect(checksAt(ALL, tip(2)).map((e) => e.id)).toEqual(['tip.gives', 'string.dragged']);
  });

  it('show the worst grade, of that finger alone where one is meant', () => {
    expect(gradeAt(lesson, ALL, tip(4))).toBe(3);
    expect(gradeAt(lesson, ALL, tip(3))).toBe(1);
    expect(gradeAt(lesson, ALL, tip(1))).toBeNull();
    expect(gradeAt(lesson, ALL, { place: 'thumb' })).toBe(0);
  });
});

describe('the list of checks', () => {
  it('knows what is done: graded or skipped', () => {
    expect(['tip.gives', 'string.dragged', 'fourth.low'].map((id) => isDone(lesson, id))).toEqual([
      true,
      true,
      false,
    ]);
  });

  it('starts with the touched finger, else last time’s worst, else asks', () => {
    const middle = evidence('middle.locks', { per_finger: true });
    expect(firstFingers(lesson, middle, 1)).toEqual([1]);
    expect(firstFingers(lesson, middle, undefined)).toEqual([2]);
    expect(firstFingers(lesson, TIP, undefined)).toEqual([]);
  });

  it('puts the trial that settles most first', () => {
    expect(trialsInOrder(lesson, ALL).map((e) => e.id)).toEqual([
      'try.thumb_off',
      'try.let_go',
      'try.lighter',
    ]);
  });

  it('puts what helped last time before what may settle other causes', () => {
    const helped = { findings: { 'try.lighter': finding(3), 'try.let_go': finding(1) } };
    const again = { ...lesson, previous: helped } as unknown as Lesson;
    expect(trialsInOrder(again, ALL).map((e) => e.id)).toEqual([
      'try.thumb_off',
      'try.lighter',
      'try.let_go',
    ]);
  });

  it('asks at a touched place what was asked for, and whole tests last', () => {
    const long = evidence('laxity.ninepoint', { seconds: 90 });
    const quick = evidence('base.drops', { seconds: 10 });
    const quicker = evidence('hand.tilts', { seconds: 5 });
    expect(askedFirst([long, quick, quicker], []).map((e) => e.id)).toEqual([
      'base.drops',
      'hand.tilts',
      'laxity.ninepoint',
    ]);
    expect(askedFirst([quick, long], ['laxity.ninepoint'])[0]?.id).toBe('laxity.ninepoint');
  });

  it('keeps what has no place apart from trials', () => {
    expect(placeless(ALL).map((e) => e.id)).toEqual(['fades.early']);
  });
});

describe('the drawing', () => {
  const at = (place: string, x: number, y: number): Spot => ({
    place,
    x,
    y,
    placeX: x,
    placeY: y,
    name: place,
  });
  const spots = [at('thumb', 100, 100), at('web', 144, 100)];

  it('takes a touch at the nearest place', () => {
    expect(nearestSpot(spots, 118, 104, 46)?.place).toBe('thumb');
    expect(nearestSpot(spots, 124, 104, 46)?.place).toBe('web');
  });

  it('takes no touch far from any place', () => {
    expect(nearestSpot(spots, 250, 100, 46)).toBeUndefined();
  });
});
