export const SIDE = 44;
const THIN = 1.5;
const THICK = 30;

/** One bar's piece of a string that is as thick as its share (0 to 1), joined to its neighbours half way. */
export function stringPath(shares: readonly number[], place: number): string {
  const thick = (at: number) => THIN + THICK * (shares[at] ?? 0);
  const own = thick(place);
  const left = (own + (place > 0 ? thick(place - 1) : own)) / 2;
  const right = (own + (place + 1 < shares.length ? thick(place + 1) : own)) / 2;
  const y = (size: number, side: number) => (SIDE / 2 + (side * size) / 2).toFixed(1);
  return `M0 ${y(left, -1)}L${SIDE / 2} ${y(own, -1)}L${SIDE} ${y(right, -1)}L${SIDE} ${y(right, 1)}L${SIDE / 2} ${y(own, 1)}L0 ${y(left, 1)}Z`;
}
