// Skin tones of the drawn hand. The lines on the skin stay dark enough on each of them, and light
// enough on the darkest.

import * as say from '../messages/compiled/drawings';

export const TONES = [
  { value: 'outline', words: say.outlineOnly() },
  { value: 'one', words: say.tone1Lightest() },
  { value: 'two', words: say.tone2() },
  { value: 'three', words: say.tone3() },
  { value: 'four', words: say.tone4() },
  { value: 'five', words: say.tone5Darkest() },
] as const;
