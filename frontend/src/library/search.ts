import type { Catalogue } from '../api/client';

export type Shelf = 'exercises' | 'causes' | 'checks';

export interface Entry {
  id: string;
  name: string;
  line: string;
  instruments: string[];
  text: string;
}

/** What stands on a shelf, as lines to choose from. */
export function entriesOf(catalogue: Catalogue, shelf: Shelf): Entry[] {
  switch (shelf) {
    case 'exercises':
      return catalogue.exercises.map((e) => ({
        id: e.id,
        name: e.name,
        line: e.does,
        instruments: e.instruments,
        text: [e.name, e.does, e.kind, ...e.steps, e.child].join(' '),
      }));
    case 'causes':
      return catalogue.causes.map((c) => ({
        id: c.id,
        name: c.name,
        line: c.meaning,
        instruments: c.instruments,
        text: `${c.name} ${c.meaning}`,
      }));
    case 'checks':
      return catalogue.evidence.map((e) => ({
        id: e.id,
        name: e.label,
        line: e.look,
        instruments: e.instruments,
        text: [e.label, e.look, e.child, e.note].join(' '),
      }));
  }
}

/** Entries of an instrument that hold every word of the search, in any order. */
export function found(entries: Entry[], search: string, instrument: string | null): Entry[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return entries.filter(
    (entry) =>
      (instrument === null || entry.instruments.includes(instrument)) &&
      words.every((word) => entry.text.toLowerCase().includes(word)),
  );
}
