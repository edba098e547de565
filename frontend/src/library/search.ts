import MiniSearch, { type CombinationOperator, type Query } from 'minisearch';

import type { Catalogue } from '../api/client';
import { type Entry, type Hit, SHELVES, onShelf } from './shelves';

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
