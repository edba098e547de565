import { describe, expect, it } from 'vitest';

import { lessonQuery } from './queries';

describe('a lesson that is read again', () => {
  const share = lessonQuery(1).structuralSharing;
  const read = (known: unknown, fresh: unknown) =>
    typeof share === 'function' ? share(known, fresh) : undefined;

  it('keeps what was entered while an older answer was on its way', () => {
    const known = { revision: 5, findings: { 'web.closed': { grade: 2 } } };
    expect(read(known, { revision: 4, findings: {} })).toBe(known);
  });

  it('takes what is as new or newer', () => {
    const known = { revision: 5, findings: {} };
    for (const revision of [5, 6]) {
      const fresh = { revision, findings: { 'web.closed': { grade: 1 } } };
      expect(read(known, fresh)).toEqual(fresh);
    }
    expect(read(undefined, { revision: 0 })).toEqual({ revision: 0 });
  });
});
