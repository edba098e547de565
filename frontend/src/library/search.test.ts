import { expect, test } from 'vitest';

import { type Entry, type Hit } from './shelves';
import { isForADoctor, nearest, wordsOf } from './search';

const hit = (name: string, line: string, text: string, ...called: string[]): Hit => ({
  shelf: 'checks',
  entry: { id: name, name, line, place: '', text, instruments: ['vn'], called } satisfies Entry,
});
const SYNONYMS = { tense: ['tight', 'squeez'], collapse: ['buckle', 'gives'], weak: ['tired'] };
const SQUEEZES = hit('Thumb squeezes', 'It holds the neck.', 'Habit.', 'death grip');
const BUCKLES = hit('Fingertip joint buckles', 'Does it stay round?', 'The last joint gives.');
const TAPS = hit('Thumb taps', 'proves to the thumb', 'Then tap until it is not tight.');
const FLIES = hit(
  'Finger flies up',
  'How far?',
  'Near the string.',
  'flying fingers',
  'high fingers',
);
const ALL = [TAPS, BUCKLES, SQUEEZES, FLIES];

function found(search: string): string[] {
  return nearest(ALL, wordsOf(search), SYNONYMS).map(({ entry }) => entry.name);
}

test.each([
  ['thumb', [SQUEEZES, TAPS]],
  ['taps THUMB', [TAPS]],
  ['my thumb is tense', [SQUEEZES, TAPS]],
  ['collapses', [BUCKLES]],
  ['harp', []],
  ['the', []],
  ['', []],
])('"%s" finds what holds every word, itself or by another', (search, expected) => {
  const first = found(search).slice(0, expected.length);
  expect(first.sort()).toEqual(expected.map(({ entry }) => entry.name).sort());
  if (expected.length === 0) expect(found(search)).toEqual([]);
});

test.each([
  ['flying fingers', 'Finger flies up'],
  ['fingers that fly', 'Finger flies up'],
  ['high finger', 'Finger flies up'],
  ['death grip!', 'Thumb squeezes'],
  ['squeezing', 'Thumb squeezes'],
  ['sqeezing', 'Thumb squeezes'],
  ['thum squeezes', 'Thumb squeezes'],
  ['buckling', 'Fingertip joint buckles'],
])('"%s" finds first what is called so, with slips and other endings', (search, expected) => {
  expect(found(search)[0]).toBe(expected);
});

test('a slip is thought of only where nothing is found as it was typed', () => {
  const grip = hit('Death of a note', '', '', 'deaths');
  const names = (typed: string) =>
    nearest([grip, hit('Feather fingers', '', '')], wordsOf(typed), {}).map((h) => h.entry.name);
  expect(names('feather')).toEqual(['Feather fingers']);
  expect(names('fether')).toContain('Feather fingers');
});

test('where nothing holds every word, what holds most of them is shown', () => {
  expect(found('thumb squeezes in winter')[0]).toBe('Thumb squeezes');
});

test.each([
  ['numb fingers', true],
  ['Tingling', true],
  ['swollen thumb', true],
  ['number of lessons', false],
  ['stiff hand', false],
])('"%s" is for a doctor: %s', (search, expected) => {
  expect(isForADoctor(search)).toBe(expected);
});
