import type { Schemas } from '../api/client';
import type { KeptEntry } from '../outbox/entry';
import { sweptValue } from '../outbox/swept';

type Sweep = Schemas['SweepOut'];

export function gradeKey(player: number, check: string): string {
  return `${player}/${check}`;
}

function readGradeKey(key: string): { player: number; check: string } {
  const [player, check = ''] = key.split('/');
  return { player: Number(player), check };
}

/** The sweep as it will look when the waiting entries have arrived. */
export function withEntries(
  sweep: Sweep,
  entries: readonly Pick<KeptEntry, 'kind' | 'key' | 'value' | 'at'>[],
): Sweep {
  return entries.reduce((now, entry) => {
    if (entry.kind === 'rest') {
      return leftToGrade(now, entry.key).reduce(
        (swept, player) => withGrade(swept, player, entry.key, 0),
        now,
      );
    }
    const { player, check } = readGradeKey(entry.key);
    const { grade, fingers } = sweptValue(entry);
    return withGrade(now, player, check, grade, fingers);
  }, sweep);
}

/** The sweep with one grade entered (or taken back), before the server has answered. */
export function withGrade(
  sweep: Sweep,
  player: number,
  check: string,
  grade: number | null,
  fingers: number[] | null = null,
): Sweep {
  return {
    ...sweep,
    rows: sweep.rows.map((row) => {
      if (row.player.id !== player) return row;
      const others = Object.fromEntries(Object.entries(row.now).filter(([name]) => name !== check));
      return {
        ...row,
        now: grade === null ? others : { ...others, [check]: grade },
        fingers: fingers === null ? row.fingers : { ...row.fingers, [check]: fingers },
      };
    }),
  };
}

/** Players whose instrument has the check and who have no grade of it yet. */
export function leftToGrade(sweep: Sweep, check: string): number[] {
  return sweep.rows
    .filter((row) => row.has.includes(check) && !(check in row.now))
    .map((row) => row.player.id);
}

/** Who comes after a player: the next without a grade further down, else the first one left. */
export function nextPlayer(sweep: Sweep, check: string, after: number): number | null {
  const left = leftToGrade(sweep, check).filter((id) => id !== after);
  const order = sweep.rows.map((row) => row.player.id);
  const below = left.find((id) => order.indexOf(id) > order.indexOf(after));
  return below ?? left[0] ?? null;
}
