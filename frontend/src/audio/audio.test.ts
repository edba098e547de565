import { describe, expect, test } from 'vitest';

import { picturesOf, playedAs, scheduleOf, stopAt } from './schedule';
import { hertz } from './sound';
import { cueAt, nextCall } from './timer';

const quarter = (midi: number, onset: number) => ({ midi, onset, seconds: 1 });

describe('pitch', () => {
  test('A4 is 440 Hz and an octave doubles (ISO 16:1975, equal temperament)', () => {
    expect(hertz(69)).toBe(440);
    expect(hertz(81)).toBeCloseTo(880);
    expect(hertz(60)).toBeCloseTo(261.63, 2);
  });
});

describe('a drill to listen to', () => {
  const notes = [quarter(60, 0), quarter(62, 1), quarter(64, 2), quarter(67, 2), quarter(65, 4)];

  test('has a bar of count-in, whole bars of beats, and keeps the written distances', () => {
    const found = scheduleOf(notes, 60, 1);
    expect(found.beats.filter((b) => b.countIn)).toHaveLength(4);
    expect(found.beats).toHaveLength(12);
    expect(found.notes.map((n) => n.onset)).toEqual([4, 5, 6, 6, 8]);
    expect(found.end).toBe(12);
  });

  test('slower is longer, by the same share everywhere', () => {
    const found = scheduleOf(notes, 60, 0.5);
    expect(found.notes.map((n) => n.onset)).toEqual([8, 10, 12, 12, 16]);
    expect(found.notes[0]?.seconds).toBe(2);
    expect(found.end).toBe(24);
  });

  test('two notes that begin together are one place of the cursor', () => {
    expect(scheduleOf(notes, 60, 1).notes.map((n) => n.place)).toEqual([0, 1, 2, 2, 3]);
    expect(picturesOf(notes)).toEqual([[0], [1], [2, 3], [4]]);
  });
});

describe('a tune with stops', () => {
  const notes = [0, 1, 2, 3].map((at) => ({ ...quarter(60, at), stop: at === 0 || at === 2 }));

  test('waits after each of them, and only then goes on', () => {
    const plan = scheduleOf(notes, 60, 1, { wait: 3 });
    expect(plan.notes.map((n) => n.onset)).toEqual([4, 8, 9, 13]);
    expect(plan.stops).toEqual([
      { time: 5, seconds: 3 },
      { time: 10, seconds: 3 },
    ]);
    expect(plan.end).toBe(14);
  });

  test('tells in which stop a moment lies, and what was waited before', () => {
    const plan = scheduleOf(notes, 60, 1, { wait: 3 });
    expect(stopAt(plan, 4.5)).toEqual({ since: null, waited: 0 });
    expect(stopAt(plan, 6)).toEqual({ since: 1, waited: 1 });
    expect(stopAt(plan, 9)).toEqual({ since: null, waited: 3 });
    expect(stopAt(plan, 12.5)).toEqual({ since: 2.5, waited: 5.5 });
    expect(stopAt(plan, 13.5)).toEqual({ since: null, waited: 6 });
  });

  test('slower is slower between the stops, and waits no longer', () => {
    const plan = scheduleOf(notes, 60, 0.5, { wait: 3 });
    expect(plan.notes.map((n) => n.onset)).toEqual([8, 13, 15, 20]);
    expect(plan.stops.map((stop) => stop.time)).toEqual([10, 17]);
  });

  test('without a wait it is played straight through', () => {
    expect(scheduleOf(notes, 60, 1).stops).toEqual([]);
    expect(scheduleOf(notes, 60, 1).end).toBe(8);
  });
});

describe('a drill to answer', () => {
  const notes = [0, 1, 2, 3, 4, 5, 6, 7].map((onset) => quarter(60 + onset, onset));
  const plan = scheduleOf(notes, 60, 1);

  test('in turns each bar sounds, and then is the player’s with a click a beat', () => {
    const found = playedAs(plan, 'turns');
    expect(found.end).toBe(20);
    expect(found.notes.map((n) => [n.place, n.onset, n.isPlayers])).toEqual(
      [0, 1, 2, 3].flatMap((part) =>
        [0, 1, 2, 3].map((beat) => [
          beat + (part > 1 ? 4 : 0),
          4 + 4 * part + beat,
          part % 2 === 1,
        ]),
      ),
    );
    expect(found.beats.filter((b) => b.clicks).map((b) => b.time)).toEqual(
      [0, 2, 4].flatMap((bar) => [0, 1, 2, 3].map((beat) => 4 * bar + beat)),
    );
  });

  test.each([
    ['gaps', [2, 5]],
    ['bars', [4, 5, 6, 7]],
  ] as const)('with %s the marked notes are the player’s, and the beat goes on', (how, mine) => {
    const marked = notes.map((note, at) => ({ ...note, gap: at === 2 || at === 5 }));
    const found = playedAs(scheduleOf(marked, 60, 1), how);
    expect(found.notes.filter((n) => n.isPlayers).map((n) => n.place)).toEqual(mine);
    expect(found.notes.map((n) => n.onset)).toEqual(plan.notes.map((n) => n.onset));
    expect(found.beats.every((b) => b.clicks)).toBe(true);
  });

  test('a tune in three has three beats of count-in, and turns of three', () => {
    const three = scheduleOf(notes.slice(0, 6), 60, 1, { beatsABar: 3 });
    expect(three.beats.filter((b) => b.countIn)).toHaveLength(3);
    expect([three.notes[0]?.onset, three.end]).toEqual([3, 9]);
    expect(playedAs(three, 'turns').notes.map((n) => n.onset)).toEqual([
      3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14,
    ]);
    expect(playedAs(three, 'bars').notes.map((n) => n.isPlayers)).toEqual([
      false,
      false,
      false,
      true,
      true,
      true,
    ]);
  });

  test('slower, and with one long note a bar, it goes the same way', () => {
    const long = scheduleOf([{ midi: 60, onset: 0, seconds: 4 }], 60, 0.5);
    expect(playedAs(long, 'bars').notes.map((n) => n.isPlayers)).toEqual([false]);
    expect(playedAs(long, 'turns').notes.map((n) => n.onset)).toEqual([8, 16]);
  });

  test('straight through it is as it was', () => {
    expect(playedAs(plan, 'through')).toBe(plan);
  });
});

describe('a timed dose', () => {
  const cues = [
    { kind: 'do', seconds: 4, words: '1 of 2' },
    { kind: 'let go', seconds: 5, words: 'let everything hang' },
  ];

  test('knows where it stands and when it is over', () => {
    expect(cueAt(cues, 0)).toEqual({ index: 0, left: 4 });
    expect(cueAt(cues, 4)).toEqual({ index: 1, left: 5 });
    expect(cueAt(cues, 1000)).toBeNull();
  });
});

describe('a caller', () => {
  const words = ['G string', 'D string', 'A string', 'E string'];

  test('goes in order and round again', () => {
    const order = { words, in_order: true };
    expect([-1, 0, 3].map((last) => nextCall(order, last, () => 0))).toEqual([0, 1, 0]);
  });

  test('calls anything but the last one', () => {
    const any = { words, in_order: false };
    for (const at of [0, 0.4, 0.99]) expect(nextCall(any, 2, () => at)).not.toBe(2);
    expect(nextCall({ words: ['let go'], in_order: false }, 0, () => 0.5)).toBe(0);
  });
});
