import type { Schemas } from '../api/client';

type Mark = Pick<Schemas['TermMarkOut'], 'x' | 'y' | 'width' | 'height'>;

const REACH = 24;

/** The mark at a place of the picture: the smallest that holds it, else the nearest in reach. */
export function markAt(marks: readonly Mark[], x: number, y: number): number | null {
  let best: number | null = null;
  let least = Infinity;
  for (const [index, mark] of marks.entries()) {
    const away = distance(mark, x, y);
    const worth = away === 0 ? mark.width * mark.height : 1e6 + away;
    if (away <= REACH && worth < least) [best, least] = [index, worth];
  }
  return best;
}

function distance(mark: Mark, x: number, y: number): number {
  const dx = Math.max(mark.x - x, 0, x - mark.x - mark.width);
  const dy = Math.max(mark.y - y, 0, y - mark.y - mark.height);
  return Math.hypot(dx, dy);
}

const middle = (mark: Mark) => ({ x: mark.x + mark.width / 2, y: mark.y + mark.height / 2 });

/** Where an arrow key leads: the nearest mark that way; null where there is none, or for other keys. */
export function nextMark(marks: readonly Mark[], at: number | null, key: string): number | null {
  const ways: Record<string, [number, number]> = {
    ArrowRight: [1, 0],
    ArrowLeft: [-1, 0],
    ArrowDown: [0, 1],
    ArrowUp: [0, -1],
  };
  const way = ways[key];
  if (way === undefined || marks.length === 0) return null;
  const here = at === null ? undefined : marks[at];
  if (here === undefined) return 0;
  const from = middle(here);
  let best: number | null = null;
  let least = Infinity;
  for (const [index, mark] of marks.entries()) {
    const to = middle(mark);
    const along = (to.x - from.x) * way[0] + (to.y - from.y) * way[1];
    const aside = Math.abs((to.x - from.x) * way[1]) + Math.abs((to.y - from.y) * way[0]);
    const cost = along + 3 * aside;
    if (index !== at && along > 1 && cost < least) [best, least] = [index, cost];
  }
  return best;
}
