import type { Catalogue } from '../api/client';
import * as say from '../messages/compiled/library';
import { eitherOf } from '../words/lists';

/** Shelves of what is known, and what else can be found: the teacher's players, drills, tunes. */
type Known = 'exercises' | 'causes' | 'checks' | 'ways' | 'help';

export type Shelf = Known | 'players' | 'drills' | 'tunes';

export interface Entry {
  id: string;
  name: string;
  line: string;
  /** Where on the hand it is, "" for nowhere. */
  place: string;
  instruments: string[];
  text: string;
  /** What people call it who do not know its name. */
  called: readonly string[];
}

/** What stands on a shelf, as lines to choose from. */
function entriesOf(catalogue: Catalogue, shelf: Known): Entry[] {
  const called = (id: string) => catalogue.called[id] ?? [];
  switch (shelf) {
    case 'exercises':
      return catalogue.exercises.map((e) => ({
        id: e.id,
        name: e.name,
        line: say.thisWord({ does: e.does }),
        place: placeOfCause(catalogue, e.aims[0]),
        instruments: e.instruments,
        text: [e.name, e.does, e.kind, ...e.steps, e.child].join(' '),
        called: called(e.id),
      }));
    case 'causes':
      return catalogue.causes.map((c) => ({
        id: c.id,
        name: c.name,
        line: c.meaning,
        place: c.places[0] ?? '',
        instruments: c.instruments,
        text: `${c.name} ${c.meaning}`,
        called: called(c.id),
      }));
    case 'checks':
      return catalogue.evidence.map((e) => ({
        id: e.id,
        name: e.label,
        line: e.look,
        place: e.place,
        instruments: e.instruments,
        text: [...[e.label, e.look, e.child, e.note, ...e.means]].join(' '),
        called: [
          ...called(e.id),
          ...catalogue.complaints.filter((c) => c.evidence === e.id).map((c) => c.says),
        ],
      }));
    case 'help':
      return catalogue.help.map((page) => ({
        id: page.id,
        name: page.title,
        line: page.text[0]?.replace('- ', '') ?? '',
        place: '',
        instruments: ['vn', 'va', 'vc', 'db'],
        text: page.text.join(' '),
        called: called(page.id),
      }));
    case 'ways':
      return catalogue.ways.map((w) => ({
        id: w.id,
        name: w.label,
        line: eitherOf(w.schools.map((school) => school.words)),
        place: w.place,
        instruments: w.instruments,
        text: w.schools.map((school) => school.says).join(' '),
        called: called(w.id),
      }));
  }
}

function placeOfCause(catalogue: Catalogue, id: string | undefined): string {
  return catalogue.causes.find((cause) => cause.id === id)?.places[0] ?? '';
}

export interface Hit {
  shelf: Shelf;
  entry: Entry;
}

export const SHELVES: Known[] = ['exercises', 'causes', 'checks', 'ways', 'help'];

/** One shelf in order of names. */
export function onShelf(catalogue: Catalogue, shelf: Known, instrument: string | null): Hit[] {
  return entriesOf(catalogue, shelf)
    .filter((entry) => instrument === null || entry.instruments.includes(instrument))
    .sort((a, b) => a.name.localeCompare(b.name))
    .map((entry) => ({ shelf, entry }));
}

export function isSame(one: Hit, other: Hit | null): boolean {
  return one.shelf === other?.shelf && one.entry.id === other.entry.id;
}
