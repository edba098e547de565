export interface ExpectedNote {
  midi: number;
  /** Seconds from the start at the written tempo. */
  onset: number;
  seconds: number;
  /** The tune stops after it. */
  stop?: boolean;
}

interface Beat {
  time: number;
  /** The first beat of a bar. */
  first: boolean;
  /** Before the music begins. */
  countIn: boolean;
  /** It is heard. */
  clicks: boolean;
}

/** How a drill is played: straight through; a bar by the computer, then by the player; or with one note a bar left to the player. */
export type How = 'through' | 'turns' | 'gaps';

export interface Schedule {
  beats: Beat[];
  /** Notes that begin together share a place in the music. */
  notes: (ExpectedNote & { place: number; isPlayers: boolean })[];
  /** Where everything waits, and since when. */
  stops: { time: number; seconds: number }[];
  end: number;
}

const BEATS_PER_BAR = 4;
const ALMOST = 1e-6;

/** When everything sounds, in seconds from the first beat of the count-in bar. `speed` 1 is as written;
 * `wait`: seconds after each note at which the tune stops. */
export function scheduleOf(
  notes: ExpectedNote[],
  tempo: number,
  speed: number,
  wait = 0,
): Schedule {
  const beat = 60 / tempo / speed;
  const start = BEATS_PER_BAR * beat;
  const length = notes.reduce((latest, each) => Math.max(latest, each.onset + each.seconds), 0);
  const played = Math.ceil((length * tempo) / 60 / BEATS_PER_BAR) * BEATS_PER_BAR;
  const beats = Array.from({ length: BEATS_PER_BAR + played }, (_, index) => ({
    time: index * beat,
    first: index % BEATS_PER_BAR === 0,
    countIn: index < BEATS_PER_BAR,
    clicks: index < BEATS_PER_BAR,
  }));
  const onsets = [...new Set(notes.map((each) => each.onset))].sort((a, b) => a - b);
  const ends =
    wait > 0 ? notes.filter((each) => each.stop).map((each) => each.onset + each.seconds) : [];
  const stopsAt = [...new Set(ends)].sort((a, b) => a - b);
  const waited = (onset: number) => wait * stopsAt.filter((end) => end <= onset + ALMOST).length;
  return {
    beats,
    notes: notes.map((each) => ({
      ...each,
      onset: start + each.onset / speed + waited(each.onset),
      seconds: each.seconds / speed,
      place: onsets.indexOf(each.onset),
      isPlayers: false,
    })),
    stops: stopsAt.map((end, before) => ({
      time: start + end / speed + wait * before,
      seconds: wait,
    })),
    end: start + played * beat + wait * stopsAt.length,
  };
}

/** The stop in which a moment lies, how long it has lasted, and how long was waited up to there. */
export function stopAt(plan: Schedule, now: number): { since: number | null; waited: number } {
  const begun = plan.stops.filter((stop) => stop.time <= now);
  const last = begun.at(-1);
  const since = last && now < last.time + last.seconds ? now - last.time : null;
  const whole = begun.reduce((sum, stop) => sum + stop.seconds, 0);
  return { since, waited: since === null ? whole : whole - (last?.seconds ?? 0) + since };
}

/** The same as it is played in turns or with gaps. `pick`: 0 to below 1, anew for each bar. */
export function playedAs(plan: Schedule, how: How, pick: () => number): Schedule {
  if (how === 'through') return plan;
  const beat = plan.beats[1]?.time ?? 0;
  const bar = BEATS_PER_BAR * beat;
  const bars = Math.round(plan.end / bar) - 1;
  const inBar = (number: number) =>
    plan.notes.filter((each) => Math.floor(each.onset / bar + ALMOST) === number + 1);
  const notes = Array.from({ length: bars }, (_, number) => inBar(number)).flatMap(
    (mine, number) => (how === 'gaps' ? withGap(mine, pick) : inTurn(mine, number * bar, bar)),
  );
  const counted = how === 'gaps' ? 1 + bars : 1 + 2 * bars;
  const beats = Array.from({ length: counted * BEATS_PER_BAR }, (_, index) => {
    const isMine = Math.floor(index / BEATS_PER_BAR) % 2 === 1;
    const countIn = index < BEATS_PER_BAR;
    const first = index % BEATS_PER_BAR === 0;
    return { time: index * beat, first, countIn, clicks: how === 'gaps' || !isMine };
  });
  return { beats, notes, stops: [], end: counted * bar };
}

type Note = Schedule['notes'][number];

/** One place of a bar is the player's; the first of it where there is no other. */
function withGap(bar: Note[], pick: () => number): Note[] {
  const places = [...new Set(bar.map((each) => each.place))];
  const inner = places.length > 1 ? places.slice(1) : places;
  const left = inner[Math.floor(pick() * inner.length)];
  return bar.map((each) => ({ ...each, isPlayers: each.place === left }));
}

/** A bar, and the same again for the player. */
function inTurn(bar: Note[], late: number, length: number): Note[] {
  const mine = bar.map((each) => ({ ...each, onset: each.onset + late }));
  const yours = mine.map((each) => ({ ...each, onset: each.onset + length, isPlayers: true }));
  return [...mine, ...yours];
}

/** How many notes of the picture lie before each place: a double stop is two notes of one place. */
export function picturesOf(notes: ExpectedNote[]): number[][] {
  const onsets = [...new Set(notes.map((each) => each.onset))].sort((a, b) => a - b);
  return onsets.map((onset) =>
    notes.flatMap((each, index) => (each.onset === onset ? [index] : [])),
  );
}
