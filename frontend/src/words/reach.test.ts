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
