import { describe, expect, it } from 'vitest';

import type { Row } from './day';
import { firstLine, homeWords, secondLine } from './rowWords';

const row = (more: Partial<Row>): Row => ({
  player: { id: 1, name: 'Ada', instrument: 'vn', age: 9 } as Row['player'],
  time: '15:00',
  is_today: true,
  weekday: 0,
  focus: [],
  minutes: null,
  due: [],
  last_lesson: '2026-03-02',
  lesson_today: null,
  flag: null,
  pain: null,
  away: null,
  home: null,
  ...more,
});

describe('a line of the day', () => {
  const flag = { reasons: ['pain 5 of 10'] } as unknown as Row['flag'];
  const moved = { to: '2026-03-10', at: '17:00' };
  const home = { planned: 6, done: 3, tight: 2 };

  it.each([
    ['the stop before all else', row({ flag, focus: ['Squeezes'] }), 'Stop: pain 5 of 10'],
    ['where it went', row({ away: moved, focus: ['Squeezes'] }), 'moved to Tue, 10 Mar, 17:00'],
    ['absence', row({ away: { to: null, at: null } }), 'absent today'],
    ['the focus', row({ focus: ['Squeezes', 'Reach'] }), 'Squeezes, Reach'],
    ['what is due', row({ due: ['Reach'] }), 'Look again'],
    ['that nothing was decided', row({}), 'no focus yet'],
  ])('says %s', (_, given, said) => {
    expect(firstLine(given).words).toBe(said);
  });

  it.each([
    ['pain at home', row({ pain: { date: '2026-03-03', pain: 2, later: null }, home }), /2 of 10/],
    ['what is due', row({ due: ['Reach'], home }), /^look again: Reach$/],
    ['what was told', row({ home }), /^home: 3 of 6 days, tight on 2$/],
    ['the week', row({ minutes: 9 }), /^last seen 2 Mar, 9 min a day$/],
    ['no minutes of a week that rests', row({ minutes: 9, flag }), /^last seen 2 Mar$/],
    ['a first lesson', row({ last_lesson: null }), /^first lesson$/],
    ['where one under a stop went', row({ away: moved, flag }), /^moved to Tue/],
  ])('knows %s', (_, given, said) => {
    expect(secondLine(given)).toMatch(said);
  });

  it('tells of all planned days, and of no minutes where there are none', () => {
    expect(homeWords({ planned: 4, done: 4, tight: 0 })).toBe('4 of 4 days');
    expect(secondLine(row({ minutes: null }))).toBe('last seen 2 Mar');
    expect(secondLine(row({ minutes: 0 }))).toBe('last seen 2 Mar');
  });

  it('never tells of more days than were planned', () => {
    expect(homeWords({ planned: 2, done: 4, tight: 0 })).toBe('4 days');
  });
});
