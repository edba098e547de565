export const FINGERS = [1, 2, 3, 4];

/** What the arrow keys choose, one after the other: each finger, then all four. */
const CHOICES = [...FINGERS.map((finger) => [finger]), FINGERS];

/** The next choice in that direction; from none or from several, the first or the last. */
export function afterFingers(chosen: number[], by: number): number[] {
  const at = CHOICES.findIndex((choice) => choice.join() === chosen.join());
  const from = at === -1 ? (by > 0 ? -1 : CHOICES.length) : at;
  const to = Math.min(CHOICES.length - 1, Math.max(0, from + by));
  return CHOICES[to] ?? [];
}

/** One finger more, or one less. */
export function toggled(chosen: number[], finger: number): number[] {
  return chosen.includes(finger)
    ? chosen.filter((each) => each !== finger)
    : [...chosen, finger].sort();
}

/** Keys that name the first to the fourth finger, as they lie under a left hand, and all of them. */
export const FINGER_KEYS = ['f', 'd', 's', 'a'];
export const ALL_KEY = 'g';
