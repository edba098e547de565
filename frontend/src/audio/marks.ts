const SOUNDING = 'sounding';
export const LEFT_OUT = 'left-out';

/** Marks notes of a picture of music, or takes their mark away. indices: as they are drawn. */
export function mark(
  drawn: ArrayLike<Element>,
  indices: number[] | undefined,
  on: boolean,
  as = SOUNDING,
): void {
  for (const index of indices ?? []) drawn[index]?.classList.toggle(as, on);
}
