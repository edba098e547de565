/** A note that is asked: midi, and when it begins and how long it sounds, in s at the written tempo. */
export interface Asked {
  midi: number;
  onset: number;
  seconds: number;
}

const MOST_PARTS = 4;
const FRAMES_A_PART = 1.5;
const MOST_ON = 0.9;
// Chances of a frame: a note left out, a beginning anywhere (a slip, a restart), the first note begun.
const LEFT_OUT = 0.002;
const ANYWHERE = 0.0005;
const BEGINS = 0.05;
// How well what is heard fits: cents that a note may be off, any pitch at all, a silence in the music.
const CENTS_OFF = 60;
const ANY_PITCH = 0.02;
const OCTAVE_OFF = 0.2;
const SILENT_NOTE = 0.3;
const BEFORE_A_PITCH = 0.08;
const IN_SILENCE = 0.3;
const SURE = 0.5;
const ALMOST = 1e-6;

/** Where in the music a player is: the forward recursion of a hidden Markov model whose states are the notes in
 * their order, each in several parts so that it lasts about as long as it is written (score following, as is usual).
 * It tells a place, never whether what is played is right. */
export class Follower {
  private readonly places: { midis: number[]; seconds: number }[];
  /** The place of each state; the state before the first note has none. */
  private readonly states: number[] = [-1];
  private readonly goesOn: number[] = [BEGINS];
  private readonly first: number[] = [];
  private chances: Float64Array;
  private place = -1;

  /** every: s from frame to frame. */
  constructor(notes: Asked[], every: number) {
    this.places = placesOf(notes);
    this.places.forEach(({ seconds }, place) => {
      const parts = Math.round(seconds / every / FRAMES_A_PART);
      const held = Math.max(1, Math.min(MOST_PARTS, parts));
      this.first.push(this.states.length);
      for (let n = 0; n < held; n++) {
        this.states.push(place);
        this.goesOn.push(Math.min(MOST_ON, (every * held) / seconds));
      }
    });
    this.chances = new Float64Array(this.states.length);
    this.chances[0] = 1;
  }

  /** The place after one more frame, -1 before the music. midi: what sounds, with its fraction; null for no pitch. */
  hear(midi: number | null): number {
    const next = this.moved(midi === null ? IN_SILENCE : 1);
    const fits = this.places.map(({ midis }) => fit(midis, midi));
    let sum = 0;
    next.forEach((chance, state) => {
      const place = this.states[state] ?? -1;
      const before = midi === null ? 1 : BEFORE_A_PITCH;
      next[state] = chance * (place < 0 ? before : (fits[place] ?? 0));
      sum += next[state] ?? 0;
    });
    this.chances = next.map((chance) => chance / sum);
    if (midi !== null) this.place = this.likeliest();
    return this.place;
  }

  private moved(haste: number): Float64Array {
    const next = new Float64Array(this.states.length);
    const add = (state: number, chance: number) => {
      if (state < next.length) next[state] = (next[state] ?? 0) + chance;
    };
    this.chances.forEach((chance, state) => {
      const place = this.states[state] ?? -1;
      const isLast = state === next.length - 1;
      const on = isLast ? 0 : haste * (this.goesOn[state] ?? 0);
      const over = place < 0 ? undefined : this.first[place + 2];
      const leaves = over === undefined ? 0 : haste * LEFT_OUT;
      add(state + 1, chance * on);
      if (over !== undefined) add(over, chance * leaves);
      add(state, chance * (1 - on - leaves));
    });
    const anywhere = ANYWHERE / Math.max(1, this.first.length);
    for (const state of this.first) add(state, anywhere);
    return next;
  }

  /** Stays where it is while no place is likelier than all others together. */
  private likeliest(): number {
    const sums = new Map<number, number>();
    this.chances.forEach((chance, state) => {
      const place = this.states[state] ?? -1;
      sums.set(place, (sums.get(place) ?? 0) + chance);
    });
    for (const [place, chance] of sums) if (chance > SURE) return place;
    return this.place;
  }
}

/** Notes that begin together are one place, which lasts to the next. */
function placesOf(notes: Asked[]): { midis: number[]; seconds: number }[] {
  const onsets = [...new Set(notes.map((note) => note.onset))].sort((a, b) => a - b);
  return onsets.map((onset, place) => {
    const here = notes.filter((note) => note.onset === onset);
    const ends = onsets[place + 1] ?? onset + Math.max(...here.map((note) => note.seconds));
    return { midis: here.map((note) => note.midi), seconds: Math.max(ALMOST, ends - onset) };
  });
}

function fit(midis: number[], midi: number | null): number {
  if (midi === null) return SILENT_NOTE;
  const one = (off: number) => Math.exp(-(((100 * off) / CENTS_OFF) ** 2) / 2);
  const fits = midis.map((asked) => {
    const off = midi - asked;
    return Math.max(one(off), OCTAVE_OFF * Math.max(one(off - 12), one(off + 12)));
  });
  return ANY_PITCH + Math.max(...fits);
}
