import { expect, test } from 'vitest';

import { reachWords } from './reach';

test('what is missing is said with what would bring it, and nothing where nothing is known', () => {
  expect(reachWords({ cents_per_mm: {} })).toBe('');
  expect(reachWords({ cents_per_mm: {}, needed: 60 })).toBe('First position asks for 60 mm.');
  expect(reachWords({ cents_per_mm: {}, needed: 60, short_by: -4 })).toContain('4 mm to spare');
  const short = { cents_per_mm: {}, needed: 60, short_by: 7, turn: 'enough' as const };
  expect(reachWords({ ...short, first_place: 3, smaller_size: '1/2' })).toBe(
    'First position asks for 60 mm. 7 mm are missing. A turn of the hand brings that. ' +
      'It fits with the first finger 3 semitones above the open string. Size 1/2 fits.',
  );
});

test.each([
  ['perhaps', 'A wide turn of the hand may bring that.'],
  ['not enough', 'A turn of the hand is not enough.'],
] as const)('a turn that is %s is said so', (turn, words) => {
  const told = reachWords({ cents_per_mm: {}, needed: 60, short_by: 7, turn, first_place: null });
  expect(told).toBe(
    `First position asks for 60 mm. 7 mm are missing. ${words} It fits nowhere below the octave.`,
  );
});

test('what fits to the millimetre fits, and an unknown span says only what is asked for', () => {
  expect(reachWords({ cents_per_mm: {}, needed: 60, short_by: 0 })).toBe(
    'First position asks for 60 mm. It fits, with 0 mm to spare.',
  );
  expect(reachWords({ cents_per_mm: {}, needed: 60, short_by: null })).toBe(
    'First position asks for 60 mm.',
  );
  expect(reachWords({ cents_per_mm: {}, needed: null })).toBe('');
});
