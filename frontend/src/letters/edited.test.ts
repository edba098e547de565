import { beforeEach, describe, expect, it, vi } from 'vitest';

import type { Schemas } from '../api/client';
import { forgetEdits, keepEdits, keptEdits } from './edited';

const draft = (player: number, has_picture = true): Schemas['LetterOut'] => ({
  player,
  name: 'Pia Example',
  title: 'Pia’s lessons',
  paragraphs: [{ heading: 'What is better', text: 'All of it.' }],
  has_picture,
});

beforeEach(() => {
  const kept = new Map<string, string>();
  vi.stubGlobal('sessionStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
    removeItem: (key: string) => kept.delete(key),
  });
});

describe('edited letters', () => {
  it('begin as the drafts, with their picture where there is one', () => {
    const letters = keptEdits('parent/1', [draft(1), draft(2, false)]);
    expect(letters.map((each) => each.picture)).toEqual([true, false]);
  });

  it('outlive a reload, each player’s for itself', () => {
    const edited = keptEdits('parent/1', [draft(1)]).map((each) => ({ ...each, title: 'Edited' }));
    keepEdits('parent/1', edited);
    const again = keptEdits('parent/1', [draft(1), draft(2)]);
    expect(again.map((each) => each.title)).toEqual(['Edited', 'Pia’s lessons']);
    expect(keptEdits('doctor/1', [draft(1)])[0]?.title).toBe('Pia’s lessons');
    forgetEdits('parent/1');
    expect(keptEdits('parent/1', [draft(1)])[0]?.title).toBe('Pia’s lessons');
  });

  it('begin anew where what was kept cannot be read', () => {
    sessionStorage.setItem('letters/parent/1', '{');
    expect(keptEdits('parent/1', [draft(1)])).toHaveLength(1);
  });
});
