import { describe, expect, it } from 'vitest';

import { dayOf, named, type Row } from './day';

const row = (name: string, time: string | null, more: Partial<Row> = {}): Row =>
  ({
    player: { name },
    time,
    is_today: time !== null,
    flag: null,
    pain: null,
    lesson_today: null,
    away: null,
    ...more,
  }) as unknown as Row;

const names = (rows: Row[]) => rows.map((each) => each.player.name);

describe('a day', () => {
  const rows = [
    row('late', '17:00'),
    row('early', '14:00', { lesson_today: 5 }),
    row('hurt', '16:00', { pain: {} } as unknown as Partial<Row>),
    row('elsewhere', null),
    row('stopped', null, { flag: {} } as unknown as Partial<Row>),
  ];

  it('stands in order of time, with a stop where the player stands', () => {
    const day = dayOf(rows, '15:00');
    expect(names(day.today)).toEqual(['early', 'hurt', 'late']);
    expect(names(day.urgent)).toEqual(['stopped']);
    expect(names(day.others)).toEqual(['elsewhere']);
  });

  it('has next whose time it is, else who comes, else the last', () => {
    expect(dayOf(rows, '16:10').next?.player.name).toBe('hurt');
    expect(dayOf(rows, '15:00').next?.player.name).toBe('hurt');
    expect(dayOf(rows, '17:30').next?.player.name).toBe('late');
    expect(dayOf([row('elsewhere', null)], '12:00').next).toBeUndefined();
  });

  it('passes over who does not come, and counts what lies behind', () => {
    const away = row('late', '16:00', { away: { to: null, at: null } });
    const day = dayOf([row('early', '14:00', { lesson_today: 5 }), away], '15:00');
    expect(day.next?.player.name).toBe('early');
    expect(day.passed).toBe(1);
    expect(names(day.today)).toEqual(['early', 'late']);
  });

  it('takes the one whose time it is to the minute, and of several begun the last', () => {
    const three = [row('a', '14:00'), row('b', '14:30'), row('c', '15:00')];
    expect(dayOf(three, '14:30').next?.player.name).toBe('b');
    expect(dayOf(three, '14:30').passed).toBe(2);
    expect(dayOf(three, '14:29').next?.player.name).toBe('a');
    expect(dayOf(three, '14:29').passed).toBe(1);
    expect(dayOf([row('a', null, { is_today: true }), ...three], '23:00').passed).toBe(3);
  });

  it('tells who hurts elsewhere', () => {
    const rows = [row('hurt', null, { pain: {} } as unknown as Partial<Row>), row('well', null)];
    expect(names(dayOf(rows, '12:00').urgent)).toEqual(['hurt']);
  });

  it('finds a player by parts of the name, with or without accents', () => {
    const everybody = [row('José Añez', null), row('Ada Lindt', null)];
    expect(names(named(everybody, 'anez jo'))).toEqual(['José Añez']);
    expect(named(everybody, 'x')).toEqual([]);
  });
});
