import { describe, expect, test } from 'vitest';

import {
  doneOn,
  type Hurt,
  isPain,
  logOf,
  NO_PAIN,
  NOTHING_YET,
  type Said,
  UNANSWERED,
  worse,
} from './dayLog';
import { lineAt } from './MusicPages';
import type { DayLog, HomeItem } from './weekNow';

const ITEMS = ['taps', 'arch', 'tune'].map((exercise) => ({
  exercise,
  name: exercise,
  tempo_steps: [60, 64],
})) as unknown as HomeItem[];
const DAY = '2026-03-05';
const SAID: Said = { answers: UNANSWERED, hurt: NO_PAIN, before: null, isAnew: false };

function practised(...done: string[]) {
  return { ...NOTHING_YET, done };
}

describe('the log of a day', () => {
  test.each([
    [[], 'not', null],
    [['taps'], 'partly', ['taps']],
    [['taps', 'arch', 'tune'], 'done', null],
  ])('%j was %s', (done, told, parts) => {
    const log = logOf(DAY, ITEMS, practised(...done), SAID);
    expect([log.done, log.parts]).toEqual([told, parts]);
  });

  test('twice a day is one day', () => {
    const before = logOf(DAY, ITEMS, practised('taps'), {
      ...SAID,
      answers: { felt: 'soft', one_thing: 'mostly' },
    });
    const log = logOf(DAY, ITEMS, practised('arch', 'tune'), { ...SAID, before });
    expect([log.done, log.felt, log.one_thing]).toEqual(['done', 'soft', 'mostly']);
    const anew = logOf(DAY, ITEMS, practised('arch'), { ...SAID, before, isAnew: true });
    expect(anew.parts).toEqual(['arch']);
  });

  test('what hurt stays until somebody says that it was nothing', () => {
    const hurt: Hurt = { pain: 2, place: 'thumb', signs: [], hurt: '' };
    const before = logOf(DAY, ITEMS, practised('taps'), { ...SAID, hurt });
    const later = logOf(DAY, ITEMS, practised('arch'), { ...SAID, before });
    expect([later.pain, later.place]).toEqual([2, 'thumb']);
    const nothing: Hurt = { ...NO_PAIN, hurt: 'nothing' };
    const taken = logOf(DAY, ITEMS, practised(), { ...SAID, before: later, hurt: nothing });
    expect([taken.pain, taken.hurt, taken.done]).toEqual([0, 'nothing', 'partly']);
  });

  test('what was done does not become all of it while less is asked for', () => {
    const open: Hurt = { ...NO_PAIN, hurt: 'open' };
    const before = logOf(DAY, ITEMS, practised('taps'), { ...SAID, hurt: open });
    const eased = ITEMS.slice(0, 1);
    const hurt: Hurt = { pain: 2, place: 'wrist', signs: [], hurt: '' };
    const told = logOf(DAY, eased, practised('taps'), { ...SAID, hurt, before });
    expect([told.done, told.parts, told.pain]).toEqual(['partly', ['taps'], 2]);
  });

  test('a second touch the same day forgets nothing of the first', () => {
    const first: Hurt = { pain: 3, place: 'wrist', signs: [], hurt: '' };
    const open = worse(first, { ...NO_PAIN, hurt: 'open' });
    expect([open.pain, open.place, open.hurt]).toEqual([3, 'wrist', 'open']);
    const told = worse(first, { pain: 1, place: 'thumb', signs: ['swelling'], hurt: '' });
    expect(told).toEqual({ pain: 3, place: 'wrist', signs: ['swelling'], hurt: '' });
    expect([isPain(first), isPain(open), isPain(NO_PAIN)]).toEqual([true, true, false]);
  });

  test.each([
    [{ pain: 1 }, true],
    [{ signs: ['numbness'] }, true],
    [{ hurt: 'open' }, true],
    [{ hurt: 'nothing' }, false],
  ])('%j is pain: %s', (more, is) => {
    expect(isPain({ ...NO_PAIN, ...more } as Hurt)).toBe(is);
  });

  test('of two that are equal the newer place is told, and the worse one of two stays', () => {
    const at = (pain: number, place: string): Hurt => ({ pain, place, signs: [], hurt: '' });
    expect(worse(at(2, 'wrist'), at(2, 'thumb')).place).toBe('thumb');
    expect(worse(at(1, 'wrist'), at(2, 'thumb'))).toMatchObject({ pain: 2, place: 'thumb' });
  });

  test('what was kept of a day keeps its feeling, and of a day without practice there is none', () => {
    const before = logOf(DAY, ITEMS, practised('taps'), {
      ...SAID,
      answers: { felt: 'soft', one_thing: '' },
    });
    expect(logOf(DAY, ITEMS, practised(), { ...SAID, before }).felt).toBe('soft');
    const not = logOf(DAY, ITEMS, practised(), SAID);
    const told = { felt: 'tight' as const, one_thing: '' as const };
    expect(logOf(DAY, ITEMS, practised(), { ...SAID, before: not, answers: told }).felt).toBe('');
    expect(doneOn({ ...not, parts: ['taps'] }, ['taps'])).toEqual([]);
  });

  test('a day on which nothing was done has no feeling', () => {
    const log = logOf(DAY, ITEMS, practised(), {
      ...SAID,
      answers: { felt: 'soft', one_thing: 'mostly' },
    });
    expect([log.felt, log.one_thing]).toEqual(['', '']);
  });

  test('tempo work and the look at the hand are kept', () => {
    const now = {
      ...practised('taps'),
      plays: { taps: [true, true, true] },
      before: { nail: true, wrist: false },
    };
    const log = logOf(DAY, ITEMS, now, SAID);
    expect(log.tempos).toEqual({ taps: { highest: 60, plays: 3, slow: 3 } });
    expect(log.checks).toEqual({ before: ['nail'] });
  });

  test('what a log says was done', () => {
    const all = ['taps', 'arch'];
    const told = (done: string, parts: string[] | null) => ({ done, parts }) as DayLog;
    expect(doneOn(told('done', null), all)).toEqual(all);
    expect(doneOn(told('partly', ['arch']), all)).toEqual(['arch']);
    expect(doneOn(told('partly', null), all)).toEqual([]);
    expect(doneOn(told('not', null), all)).toEqual([]);
  });
});

describe('the line in which a beat lies', () => {
  const lines = [{ beats: 8 }, { beats: 8 }, { beats: 4 }];
  test.each([
    [0, 0],
    [7, 0],
    [8, 1],
    [16, 2],
    [19, 2],
    [20, 0],
    [28, 1],
  ])('beat %i: line %i', (beat, line) => {
    expect(lineAt(lines, beat)).toBe(line);
  });
  test('nobody counts what has no beats', () => {
    expect(lineAt([{ beats: null }], 3)).toBeNull();
    expect(lineAt([], 0)).toBeNull();
  });
});
