import type { Catalogue } from '../api/client';

export type Shelf = 'exercises' | 'causes' | 'checks';

export interface Entry {
  id: string;
  name: string;
  line: string;
  /** Where on the hand it is, "" for nowhere. */
  place: string;
  instruments: string[];
  text: string;
}

/** What stands on a shelf, as lines to choose from. */
function entriesOf(catalogue: Catalogue, shelf: Shelf): Entry[] {
  switch (shelf) {
    case 'exercises':
      return catalogue.exercises.map((e) => ({
        id: e.id,
        name: e.name,
        line: `This ${e.does}.`,
        place: placeOfCause(catalogue, e.aims[0]),
        instruments: e.instruments,
        text: [e.name, e.does, e.kind, ...e.steps, e.child].join(' '),
      }));
    case 'causes':
      return catalogue.causes.map((c) => ({
        id: c.id,
        name: c.name,
        line: c.meaning,
        place: c.places[0] ?? '',
        instruments: c.instruments,
        text: `${c.name} ${c.meaning}`,
      }));
    case 'checks':
      return catalogue.evidence.map((e) => ({
        id: e.id,
        name: e.label,
        line: e.look,
        place: e.place,
        instruments: e.instruments,
        text: [
          ...[e.label, e.look, e.child, e.note, ...e.means],
          ...catalogue.complaints.filter((c) => c.evidence === e.id).map((c) => c.says),
        ].join(' '),
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

export const SHELVES: Shelf[] = ['exercises', 'causes', 'checks'];
const LEAST_LETTERS = 4;
// How near a word is to an entry: in its name, in its line, anywhere in its text.
const NEARNESS = { name: 9, line: 4, text: 1 };
const BY_ANOTHER_WORD = 0.6;

/** One shelf in order of names. */
export function onShelf(catalogue: Catalogue, shelf: Shelf, instrument: string | null): Hit[] {
  return entriesOf(catalogue, shelf)
    .filter((entry) => instrument === null || entry.instruments.includes(instrument))
    .sort((a, b) => a.name.localeCompare(b.name))
    .map((entry) => ({ shelf, entry }));
}

/** All shelves at once, nearest first: entries that hold every word, or an everyday word's others. */
export function searched(catalogue: Catalogue, search: string, instrument: string | null): Hit[] {
  const words = wordsOf(search);
  const hits = SHELVES.flatMap((shelf) => onShelf(catalogue, shelf, instrument));
  return hits
    .map((hit) => ({ hit, near: nearness(hit.entry, words, catalogue.synonyms) }))
    .filter(({ near }) => near > 0)
    .sort((a, b) => b.near - a.near || a.hit.entry.name.localeCompare(b.hit.entry.name))
    .map(({ hit }) => hit);
}

function wordsOf(search: string): string[] {
  return search.toLowerCase().split(/\s+/).filter(Boolean);
}

/** What is marked in the entries that were found: the words, and those an everyday one stands for. */
export function markedWords(catalogue: Catalogue, search: string): string[] {
  const words = wordsOf(search);
  return [...words, ...words.flatMap((word) => othersOf(word, catalogue.synonyms))];
}

/** 0 where one of the words is in it neither itself nor by another. */
export function nearness(
  entry: Entry,
  words: string[],
  synonyms: Record<string, string[]>,
): number {
  const each = words.map((word) => {
    const others = othersOf(word, synonyms).map((other) => BY_ANOTHER_WORD * near(entry, other));
    return Math.max(near(entry, word), ...others);
  });
  return each.every((value) => value > 0) ? each.reduce((sum, value) => sum + value, 0) : 0;
}

function near(entry: Entry, word: string): number {
  const { name, line, text } = entry;
  if (name.toLowerCase().includes(word)) return NEARNESS.name;
  if (line.toLowerCase().includes(word)) return NEARNESS.line;
  return text.toLowerCase().includes(word) ? NEARNESS.text : 0;
}

/** The catalogue's words for an everyday one, found by how it begins. */
function othersOf(word: string, synonyms: Record<string, string[]>): string[] {
  if (word.length < LEAST_LETTERS) return synonyms[word] ?? [];
  return Object.entries(synonyms)
    .filter(([known]) => known.startsWith(word) || word.startsWith(known))
    .flatMap(([, others]) => others);
}

export function isSame(one: Hit, other: Hit | null): boolean {
  return one.shelf === other?.shelf && one.entry.id === other.entry.id;
}
