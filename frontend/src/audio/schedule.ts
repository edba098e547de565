export interface ExpectedNote {
  midi: number;
  /** Seconds from the start at the written tempo. */
  onset: number;
  seconds: number;
  /** The tune stops after it. */
  stop?: boolean;
  /** The player's, where one note a bar is. */
  gap?: boolean;
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

/** How a drill is played: straight through; a bar by the computer, then the same by the player; or with
 * one note a bar, or every second bar, left to the player. */
export type How = 'through' | 'turns' | 'gaps' | 'bars';

export interface Schedule {
  beatsABar: number;
  beats: Beat[];
  /** Notes that begin together share a place in the music. */
  notes: (ExpectedNote & { place: number; isPlayers: boolean })[];
  /** Where everything waits, and since when. */
  stops: { time: number; seconds: number }[];
  end: number;
}

const USUAL_BEATS = 4;
const ALMOST = 1e-6;

/** When everything sounds, in seconds from the first beat of the count-in bar. `speed` 1 is as written;
 * `beatsABar`: quarters; `wait`: seconds after each note at which the tune stops. */
export function scheduleOf(
  notes: ExpectedNote[],
  tempo: number,
  speed: number,
  { beatsABar = USUAL_BEATS, wait = 0 } = {},
): Schedule {
  const beat = 60 / tempo / speed;
  const start = beatsABar * beat;
  const length = notes.reduce((latest, each) => Math.max(latest, each.onset + each.seconds), 0);
  const played = Math.ceil((length * tempo) / 60 / beatsABar) * beatsABar;
  const beats = Array.from({ length: beatsABar + played }, (_, index) => ({
    time: index * beat,
    first: index % beatsABar === 0,
    countIn: index < beatsABar,
    clicks: index < beatsABar,
  }));
  const onsets = [...new Set(notes.map((each) => each.onset))].sort((a, b) => a - b);
  const ends =
    wait > 0 ? notes.filter((each) => each.stop).map((each) => each.onset + each.seconds) : [];
  const stopsAt = [...new Set(ends)].sort((a, b) => a - b);
  const waited = (onset: number) => wait * stopsAt.filter((end) => end <= onset + ALMOST).length;
  return {
    beatsABar,
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

/** The same as it is played with answers of the player's. */
export function playedAs(plan: Schedule, how: How): Schedule {
  if (how === 'through') return plan;
  const beat = plan.beats[1]?.time ?? 0;
  const bar = plan.beatsABar * beat;
  const barOf = (note: Note) => Math.floor(note.onset / bar + ALMOST) - 1;
  if (how !== 'turns') {
    const isMine = (note: Note) => (how === 'gaps' ? note.gap === true : barOf(note) % 2 === 1);
    return {
      ...plan,
      beats: plan.beats.map((each) => ({ ...each, clicks: true })),
      notes: plan.notes.map((each) => ({ ...each, isPlayers: isMine(each) })),
    };
  }
  const bars = Math.round(plan.end / bar) - 1;
  const notes = Array.from({ length: bars }, (_, number) =>
    inTurn(
      plan.notes.filter((each) => barOf(each) === number),
      number * bar,
      bar,
    ),
  ).flat();
  const counted = 1 + 2 * bars;
  const beats = Array.from({ length: counted * plan.beatsABar }, (_, index) => {
    const isPlayers = Math.floor(index / plan.beatsABar) % 2 === 1;
    const countIn = index < plan.beatsABar;
    const first = index % plan.beatsABar === 0;
    return { time: index * beat, first, countIn, clicks: !isPlayers };
  });
  return { ...plan, beats, notes, end: counted * bar };
}

type Note = Schedule['notes'][number];

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
