import { localDate } from './localDate';
import type { KeptEntry } from './entry';

export interface SweptValue {
  grade: number | null;
  /** Those that it was seen on; left out where nothing new is told of them. */
  fingers?: number[] | null;
  /** The day on which it was seen. */
  seenOn: string;
}

/** What a swept entry says; those of earlier versions held the grade alone. */
export function sweptValue(entry: Pick<KeptEntry, 'value' | 'at'>): SweptValue {
  const value = entry.value as SweptValue | number | null;
  if (typeof value === 'object' && value !== null) return value;
  return { grade: value, seenOn: localDate(new Date(entry.at)) };
}
