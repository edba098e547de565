import { expect, test } from 'vitest';

import { found, type Entry } from './search';

const entry = (id: string, text: string, instruments = ['vn', 'vc']): Entry => ({
  id,
  name: id,
  line: '',
  text,
  instruments,
});
const shelf = [
  entry('a', 'Soft Thumb taps'),
  entry('b', 'The thumb comes along', ['vc']),
  entry('c', 'Bridge on the table'),
];

test.each([
  ['', null, 'abc'],
  ['thumb', null, 'ab'],
  ['taps THUMB', null, 'a'],
  ['thumb', 'vn', 'a'],
  ['', 'vc', 'abc'],
  ['harp', null, ''],
])('"%s" on %s finds %s', (search, instrument, expected) => {
  expect(
    found(shelf, search, instrument)
      .map((each) => each.id)
      .join(''),
  ).toBe(expected);
});
