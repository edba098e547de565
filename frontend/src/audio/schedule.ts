export interface ExpectedNote {
  midi: number;
  /** Seconds from the start at the written tempo. */
  onset: number;
  seconds: number;
}

interface Beat {
  time: number;
  /** The first beat of a bar. */
  first: boolean;
  /** Before the music begins. */
  countIn: boolean;
}

export interface Schedule {
  beats: Beat[];
  /** Notes that begin together share a place in the music. */
  notes: (ExpectedNote & { place: number })[];
  end: number;
}

const BEATS_PER_BAR = 4;

/** When everything sounds, in seconds from the first beat of the count-in bar. `speed` 1 is as written. */
export function scheduleOf(notes: ExpectedNote[], tempo: number, speed: number): Schedule {
  const beat = 60 / tempo / speed;
  const start = BEATS_PER_BAR * beat;
  const length = notes.reduce((latest, each) => Math.max(latest, each.onset + each.seconds), 0);
  const played = Math.ceil((length * tempo) / 60 / BEATS_PER_BAR) * BEATS_PER_BAR;
  const beats = Array.from({ length: BEATS_PER_BAR + played }, (_, index) => ({
    time: index * beat,
    first: index % BEATS_PER_BAR === 0,
    countIn: index < BEATS_PER_BAR,
  }));
  const onsets = [...new Set(notes.map((each) => each.onset))].sort((a, b) => a - b);
  return {
    beats,
    notes: notes.map((each) => ({
      ...each,
      onset: start + each.onset / speed,
      seconds: each.seconds / speed,
      place: onsets.indexOf(each.onset),
    })),
    end: start + played * beat,
  };
}

/** How many notes of the picture lie before each place: a double stop is two notes of one place. */
export function picturesOf(notes: ExpectedNote[]): number[][] {
  const onsets = [...new Set(notes.map((each) => each.onset))].sort((a, b) => a - b);
  return onsets.map((onset) =>
    notes.flatMap((each, index) => (each.onset === onset ? [index] : [])),
  );
}
