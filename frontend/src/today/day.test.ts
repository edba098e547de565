import { describe, expect, it } from 'vitest';

import { dayOf, type Row } from './day';

const row = (name: string, time: string | null, more: Partial<Row> = {}): Row =>
  ({
    player: { name },
    time,
    is_today: time !== null,
    flag: null,
    pain: null,
    lesson_today: null,
    ...more,
  }) as unknown as Row;

const named = (rows: Row[]) => rows.map((each) => each.player.name);

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
    expect(named(day.today)).toEqual(['early', 'hurt', 'late']);
    expect(named(day.urgent)).toEqual(['stopped']);
    expect(named(day.others)).toEqual(['elsewhere']);
  });

  it('has next whose time it is, else who comes, else the last', () => {
    expect(dayOf(rows, '16:10').next?.player.name).toBe('hurt');
    expect(dayOf(rows, '15:00').next?.player.name).toBe('hurt');
    expect(dayOf(rows, '17:30').next?.player.name).toBe('late');
    expect(dayOf([row('elsewhere', null)], '12:00').next).toBeUndefined();
  });
});
