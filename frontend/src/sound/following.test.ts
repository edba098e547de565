import { describe, expect, test } from 'vitest';

import { type Asked, Follower } from './Follower';
import { Pitches } from './Pitches';

const RATE = 48_000;
const PIECE = 1024;
const FRAME = PIECE / RATE;
const LAG = 4; // frames that a place may be told late

/** What is played: the place in the music, its pitch (null for silence), and for how long, s. */
interface Played {
  place: number;
  midi: number | null;
  seconds: number;
}

/** Notes of one length, in the order of midi numbers. */
function drill(midis: number[], seconds: number): Asked[] {
  return midis.map((midi, place) => ({ midi, onset: place * seconds, seconds }));
}

function asWritten(notes: Asked[], slower = 1): Played[] {
  return notes.map(({ midi, seconds }, place) => ({ place, midi, seconds: seconds * slower }));
}

/** The share of frames in which the place that is told is where the player is, or was a moment ago. */
function shareRight(notes: Asked[], played: Played[]): number {
  const follower = new Follower(notes, FRAME);
  const truth: number[] = [];
  let right = 0;
  for (const { place, midi, seconds } of played)
    for (let n = 0; n < Math.round(seconds / FRAME); n++) {
      truth.push(place);
      if (truth.slice(-LAG).includes(follower.hear(midi))) right += 1;
    }
  return right / truth.length;
}

const SCALE = [62, 64, 66, 67, 69, 71, 73, 74];
const UP_AND_DOWN = [...SCALE, ...SCALE.toReversed()];
const TRILL = Array.from({ length: 32 }, (_, n) => (n % 2 ? 66 : 64));
const slow = drill(UP_AND_DOWN, 0.5);
const quick = drill(TRILL, 0.125);
const plain = asWritten(slow);

describe('where the player is', () => {
  test.each<[string, Asked[], Played[], number]>([
    ['as written', slow, plain, 0.99],
    ['a third slower', slow, asWritten(slow, 1.33), 0.97],
    ['a third faster', slow, asWritten(slow, 0.75), 0.97],
    ['eight notes a second', quick, asWritten(quick), 0.95],
    [
      'everything 30 cents flat',
      slow,
      plain.map((p) => ({ ...p, midi: (p.midi ?? 0) - 0.3 })),
      0.99,
    ],
    ['one note twice', slow, [...plain.slice(0, 5), ...plain.slice(4)], 0.95],
    ['one note left out', slow, [...plain.slice(0, 5), ...plain.slice(6)], 0.95],
    [
      'two seconds of thinking',
      slow,
      [...plain.slice(0, 6), { place: 5, midi: null, seconds: 2 }, ...plain.slice(6)],
      0.99,
    ],
    ['begun again', slow, [...plain.slice(0, 6), ...plain], 0.9],
    ['one note four times', drill([69, 69, 69, 69, 71, 72], 0.5), [], 0.85],
  ])('is told when it is played %s', (_, notes, played, least) => {
    const heard = played.length > 0 ? played : asWritten(notes);
    expect(shareRight(notes, heard)).toBeGreaterThanOrEqual(least);
  });

  test('an octave off, as a short low note is heard, does not lead it astray', () => {
    const played = plain.flatMap(({ place, midi, seconds }) => [
      { place, midi: (midi ?? 0) + 12, seconds: seconds / 5 },
      { place, midi, seconds: (4 * seconds) / 5 },
    ]);
    expect(shareRight(slow, played)).toBeGreaterThan(0.9);
  });

  test('before the first note there is no place, however long it takes', () => {
    const late = [{ place: -1, midi: null, seconds: 3 }, ...plain];
    expect(shareRight(slow, late)).toBeGreaterThan(0.98);
  });

  test('other music does not drive it about', () => {
    const follower = new Follower(slow, FRAME);
    const other = [50.5, 53.4, 56.6, 59.5, 52.5].flatMap((midi) => Array<number>(30).fill(midi));
    const told = other.map((midi) => follower.hear(midi));
    const moves = told.filter((place, n) => n > 0 && place !== told[n - 1]);
    expect(moves.length).toBeLessThanOrEqual(slow.length);
    expect(told.every((place, n) => n === 0 || place >= (told[n - 1] ?? -1))).toBe(true);
  });

  test('two notes at once are one place, heard by either', () => {
    const double = [
      { midi: 62, onset: 0, seconds: 1 },
      { midi: 69, onset: 0, seconds: 1 },
      { midi: 71, onset: 1, seconds: 1 },
    ];
    const played = [
      { place: 0, midi: 69, seconds: 0.5 },
      { place: 0, midi: 62, seconds: 0.5 },
      { place: 1, midi: 71, seconds: 1 },
    ];
    expect(shareRight(double, played)).toBeGreaterThan(0.98);
  });
});

/** A bowed string as the ear has it: a saw tooth, all partials in one direction. */
function saw(midi: number, seconds: number, level = 0.3): Float32Array {
  const hertz = 440 * 2 ** ((midi - 69) / 12);
  const samples = Math.round(seconds * RATE);
  return Float32Array.from({ length: samples }, (_, n) => {
    const turn = (n * hertz) / RATE;
    return level * 2 * (turn - Math.floor(turn) - 0.5);
  });
}

function lastPitch(sound: Float32Array, lowest: number): number | null {
  const pitches = new Pitches(RATE, lowest);
  let told: number | null = null;
  for (let at = 0; at + PIECE <= sound.length; at += PIECE)
    told = pitches.hear(sound.subarray(at, at + PIECE));
  return told;
}

describe('pitch of the moment', () => {
  test.each([
    ['the lowest string of the double bass', 28],
    ['the lowest string of the cello', 36],
    ['the lowest string of the violin', 55],
    ['a high note of the violin', 93],
  ])('%s is heard', (_, midi) => {
    expect(Math.abs((lastPitch(saw(midi, 0.4), midi) ?? 0) - midi)).toBeLessThan(0.1);
  });

  test('silence, a faint hum and noise have none', () => {
    const noise = Float32Array.from({ length: RATE / 2 }, (_, n) => Math.sin(n * n) * 0.3);
    expect(lastPitch(new Float32Array(RATE / 2), 55)).toBeNull();
    expect(lastPitch(saw(60, 0.5, 0.004), 55)).toBeNull();
    expect(lastPitch(noise, 55)).toBeNull();
  });
});
