import { expect, test } from 'vitest';

import { type Entry, nearness } from './search';

const entry = (name: string, line: string, text: string): Entry => ({
  id: name,
  name,
  line,
  place: '',
  text: `${name} ${line} ${text}`,
  instruments: ['vn', 'vc'],
});
const SYNONYMS = { tense: ['tight', 'squeez'], collapse: ['buckle', 'gives'], weak: ['tired'] };
const SQUEEZES = entry('Thumb squeezes', 'It holds the neck.', 'Habit.');
const BUCKLES = entry('Fingertip joint buckles', 'Does it stay round?', 'The last joint gives.');
const TAPS = entry('Thumb taps', 'proves to the thumb', 'Then tap until it is not tight.');

test.each([
  ['thumb', [SQUEEZES, TAPS]],
  ['taps THUMB', [TAPS]],
  ['tense', [SQUEEZES, TAPS]],
  ['tensed thumb', [SQUEEZES, TAPS]],
  ['collapses', [BUCKLES]],
  ['harp', []],
])('"%s" finds what is near, nearest first', (search, expected) => {
  const words = search.toLowerCase().split(' ');
  const found = [TAPS, BUCKLES, SQUEEZES]
    .map((each) => ({ each, near: nearness(each, words, SYNONYMS) }))
    .filter(({ near }) => near > 0)
    .sort((a, b) => b.near - a.near || a.each.name.localeCompare(b.each.name))
    .map(({ each }) => each.name);
  expect(found).toEqual(expected.map((each) => each.name));
});

test('a word itself is nearer than another word for it', () => {
  const own = nearness(entry('Tense hand', '', ''), ['tense'], SYNONYMS);
  expect(own).toBeGreaterThan(nearness(entry('Tight hand', '', ''), ['tense'], SYNONYMS));
});

test('a word of three letters is not stretched to a longer one', () => {
  expect(nearness(BUCKLES, ['col'], SYNONYMS)).toBe(0);
});
