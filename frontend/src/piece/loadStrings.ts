// The load of a passage as a string under its own bars: thick where the hand will tighten.

export interface BarBox {
  left: number;
  right: number;
  /** Of its staff. */
  top: number;
  foot: number;
}

/** Of the height of a staff. */
const BELOW = 1.75;
const THICK = 0.85;
const HAIR = 0.04;

/** The outline of each system's string, in the units of the boxes. */
export function loadStrings(bars: BarBox[], shares: number[]): string[] {
  return systemsOf(bars).map((places) => {
    const staff = Math.max(...places.map((place) => heightOf(bars[place])));
    const points = places.flatMap((place) => {
      const bar = bars[place];
      return bar ? [{ x: (bar.left + bar.right) / 2, half: halfOf(shares[place], staff) }] : [];
    });
    const first = bars[places[0] ?? 0];
    const last = bars[places.at(-1) ?? 0];
    if (!first || !last || points.length === 0) return '';
    const y = Math.max(...places.map((place) => bars[place]?.foot ?? 0)) + BELOW * staff;
    const hair = (HAIR * staff) / 2;
    const along = [{ x: first.left, half: hair }, ...points, { x: last.right, half: hair }];
    const upper = eased(along.map(({ x, half }) => [x, y - half]));
    const lower = eased(along.map(({ x, half }): [number, number] => [x, y + half]).reverse());
    return `M${upper}L${lower}Z`;
  });
}

function halfOf(share: number | undefined, staff: number): number {
  return (staff * (HAIR + THICK * (share ?? 0))) / 2;
}

function heightOf(bar: BarBox | undefined): number {
  return bar ? bar.foot - bar.top : 0;
}

/** Places of the bars by system: another one begins where a bar lies left of the one before. */
export function systemsOf(bars: BarBox[]): number[][] {
  const systems: number[][] = [];
  bars.forEach((bar, place) => {
    const before = bars[place - 1];
    if (!before || bar.left < before.left) systems.push([]);
    systems.at(-1)?.push(place);
  });
  return systems;
}

function eased(points: [number, number][]): string {
  return points
    .map(([x, y], at) => {
      const before = points[at - 1];
      if (!before) return `${short(x)} ${short(y)}`;
      const between = short((before[0] + x) / 2);
      return `C${between} ${short(before[1])} ${between} ${short(y)} ${short(x)} ${short(y)}`;
    })
    .join('');
}

function short(value: number): string {
  return value.toFixed(1);
}
