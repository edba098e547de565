const JOINED = '; this ';

/** The reason for an exercise and what it does, which stand in one sentence. */
export function whyWords(why: string): { because: string; does: string } {
  const at = why.indexOf(JOINED);
  if (at === -1) return { because: '', does: why };
  return { because: `${why.slice(0, at)}.`, does: `This ${why.slice(at + JOINED.length)}` };
}
