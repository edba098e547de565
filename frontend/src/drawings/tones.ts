// Skin tones of the drawn hand. The lines on the skin stay dark enough on each of them, and light
// enough on the darkest.

export const TONES = [
  { value: 'outline', words: 'Outline only' },
  { value: 'one', words: 'Tone 1, lightest' },
  { value: 'two', words: 'Tone 2' },
  { value: 'three', words: 'Tone 3' },
  { value: 'four', words: 'Tone 4' },
  { value: 'five', words: 'Tone 5, darkest' },
] as const;
