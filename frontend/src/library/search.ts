import MiniSearch, { type CombinationOperator, type Query } from 'minisearch';

import type { Catalogue } from '../api/client';

/** Shelves of what is known, and what else can be found: the teacher's players, drills. */
type Known = 'exercises' | 'causes' | 'checks' | 'ways' | 'help';
export type Shelf = Known | 'players' | 'drills';

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
        line: `This ${e.does}.`,
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
        line: w.schools.map((school) => school.words).join(', or '),
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
const LEAST_LETTERS = 4;
// How much it says that a word stands there.
const SAYS = { name: 5, called: 6, line: 2, text: 1 };
const BY_ANOTHER_WORD = { name: 2.5, called: 2.5, line: 1, text: 0.5 };
// A slip of one letter in five.
const SLIPS = 0.2;
// Fewer than these, and what holds only some of the words is shown after them.
const ENOUGH = 3;
// The words that were typed are what people call it, all of them or with more around.
const THE_VERY_PHRASE = 1000;
const IN_A_PHRASE = 100;
const SMALL_WORDS = new Set(
  (
    'a an the my his her their our your is are was it its i me he she they when while then than ' +
    'in on of to and with at by for from does do not no so too very always never cannot can get gets up ' +
    'dont doesnt cant wont isnt didnt '
  ).split(' '),
);

/** One shelf in order of names. */
export function onShelf(catalogue: Catalogue, shelf: Known, instrument: string | null): Hit[] {
  return entriesOf(catalogue, shelf)
    .filter((entry) => instrument === null || entry.instruments.includes(instrument))
    .sort((a, b) => a.name.localeCompare(b.name))
    .map((entry) => ({ shelf, entry }));
}

/** All shelves and what stands `beside` them at once, nearest first: entries that hold every word, or an
 * everyday word's others; where few do, those that hold some. A slip of the keys finds what was meant. */
export function searched(
  catalogue: Catalogue,
  search: string,
  instrument: string | null,
  beside: readonly Hit[] = [],
): Hit[] {
  const words = wordsOf(search);
  const hits = SHELVES.flatMap((shelf) => onShelf(catalogue, shelf, instrument));
  return nearest([...hits, ...beside], words, catalogue.synonyms);
}

/** The entries that these words mean, nearest first. */
export function nearest(
  hits: readonly Hit[],
  words: readonly string[],
  synonyms: Record<string, string[]>,
): Hit[] {
  const index = new MiniSearch<Omit<Entry, 'id' | 'called'> & { id: number; called: string }>({
    fields: Object.keys(SAYS),
    processTerm: stemOf,
  });
  index.addAll(hits.map(({ entry }, id) => ({ ...entry, id, called: entry.called.join(' ') })));
  const stems = stemsOf(words);
  if (stems.length === 0) return [];
  const ask = (all: CombinationOperator, withSlips: boolean): Hit[] =>
    index
      .search(queryOf(words, synonyms, all, withSlips))
      .flatMap(({ id, score }) => {
        const hit = hits[id as number];
        return hit ? [{ hit, near: score + phraseOf(hit.entry, stems) }] : [];
      })
      .sort((a, b) => b.near - a.near || a.hit.entry.name.localeCompare(b.hit.entry.name))
      .map(({ hit }) => hit);
  let found = ask('AND', false);
  if (found.length === 0) found = ask('AND', true);
  if (found.length >= ENOUGH) return found;
  return [...new Set([...found, ...ask('OR', found.length === 0)])];
}

function queryOf(
  words: readonly string[],
  synonyms: Record<string, string[]>,
  combineWith: CombinationOperator,
  withSlips: boolean,
): Query {
  return {
    combineWith,
    queries: words
      .filter((word) => stemOf(word) !== null)
      .map((word) => ({
        combineWith: 'OR',
        queries: [
          {
            queries: [word],
            boost: SAYS,
            prefix: true,
            fuzzy: withSlips && word.length >= LEAST_LETTERS ? SLIPS : false,
          },
          ...othersOf(word, synonyms).map((other): Query => ({
            combineWith: 'AND',
            queries: wordsOf(other),
            boost: BY_ANOTHER_WORD,
            prefix: true,
          })),
        ],
      })),
  };
}

/** More where people call it just so. */
function phraseOf(entry: Entry, stems: readonly string[]): number {
  const worth = entry.called.map((phrase) => {
    const own = stemsOf(wordsOf(phrase));
    if (!stems.every((stem) => own.includes(stem))) return 0;
    return own.length === stems.length ? THE_VERY_PHRASE : IN_A_PHRASE;
  });
  return Math.max(0, ...worth);
}

export function wordsOf(search: string): string[] {
  return search
    .toLowerCase()
    .replace(/[’']/g, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
}

function stemsOf(words: readonly string[]): string[] {
  return words.flatMap((word) => stemOf(word) ?? []);
}

/** A word without its endings, so that "collapsing" is "collapses"; null for what says nothing. */
function stemOf(term: string): string | null {
  const word = term.toLowerCase();
  if (SMALL_WORDS.has(word)) return null;
  const bare = word.replace(/(?:ings?|ed|ers?|es|s|ies|y)$/u, '');
  const stem = bare.length >= 3 ? bare : word;
  return stem.replace(/e$/u, '').replace(/([bdgklmnprt])\1$/u, '$1') || word;
}

/** What is marked in the entries that were found: the words, and those an everyday one stands for. */
export function markedWords(catalogue: Catalogue, search: string): string[] {
  const words = wordsOf(search);
  return [...stemsOf(words), ...words.flatMap((word) => othersOf(word, catalogue.synonyms))];
}

/** The catalogue's words for an everyday one, found by how it begins. */
function othersOf(word: string, synonyms: Record<string, string[]>): string[] {
  if (word.length < LEAST_LETTERS) return synonyms[word] ?? [];
  return Object.entries(synonyms)
    .filter(([known]) => known.startsWith(word) || word.startsWith(known))
    .flatMap(([, others]) => others);
}

// Said of a body, these are no matter for exercises.
const FOR_A_DOCTOR = /^(numb(?!er)|tingl|swell|swoll|inflam|arthrit|tendon|carpal|dystoni|paraly)/u;

/** One of these words speaks of what a doctor or physiotherapist should see. */
export function isForADoctor(search: string): boolean {
  return wordsOf(search).some((word) => FOR_A_DOCTOR.test(word));
}

export function isSame(one: Hit, other: Hit | null): boolean {
  return one.shelf === other?.shelf && one.entry.id === other.entry.id;
}
