import { describe, expect, it } from 'vitest';

import { whyWords } from './whyWords';

describe('why an exercise is given', () => {
  it('is a reason and what it does', () => {
    expect(whyWords('The thumb squeezes; this lets it go.')).toEqual({
      because: 'The thumb squeezes.',
      does: 'This lets it go.',
    });
  });

  it('stays whole where it is one sentence', () => {
    expect(whyWords('Added by you.')).toEqual({ because: '', does: 'Added by you.' });
  });
});
