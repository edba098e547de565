import { describe, expect, test } from 'vitest';

import { picturesOf, scheduleOf } from './schedule';
import { hertz } from './sound';
import { phaseAt, phasesOf } from './timer';

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

describe('a timed dose', () => {
  const hold = { reps: 2, sets: 2, seconds: 4, pause: 0, rest: 20, is_hold: true, minutes: 1 };

  test('holds are counted, let go after each, with a rest between rounds and none at the end', () => {
    const kinds = phasesOf(hold).map((p) => p.kind);
    const round = ['do', 'let go', 'do', 'let go'];
    expect(kinds).toEqual([...round, 'rest', ...round]);
    expect(phasesOf(hold)[4]?.seconds).toBe(20);
  });

  test('what is not a hold runs for its minutes', () => {
    const play = { ...hold, is_hold: false, sets: 1, minutes: 2 };
    expect(phasesOf(play)).toEqual([{ kind: 'do', seconds: 120, words: 'gently' }]);
  });

  test('knows where it stands and when it is over', () => {
    const phases = phasesOf(hold);
    expect(phaseAt(phases, 0)).toEqual({ index: 0, left: 4 });
    expect(phaseAt(phases, 4)).toEqual({ index: 1, left: 5 });
    expect(phaseAt(phases, 1000)).toBeNull();
  });
});
