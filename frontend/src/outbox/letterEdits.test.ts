import { beforeEach, describe, expect, it, vi } from 'vitest';

import type { Schemas } from '../api/client';
import { forgetAllEdits, forgetEdits, keepEdits, keptEdits } from './letterEdits';

const draft = (player: number, has_picture = true): Schemas['LetterOut'] => ({
  player,
  name: 'Pia Example',
  title: 'Pia’s lessons',
  paragraphs: [{ heading: 'What is better', text: 'All of it.' }],
  has_picture,
});

beforeEach(() => {
  const kept: Record<string, string> = {};
  const add = (name: string, value: unknown) =>
    Object.defineProperty(kept, name, { value, enumerable: false });
  add('getItem', (key: string) => kept[key] ?? null);
  add('setItem', (key: string, value: string) => (kept[key] = value));
  add('removeItem', (key: string) => Reflect.deleteProperty(kept, key));
  vi.stubGlobal('sessionStorage', kept);
});

const titles = (name: string, drafts: Schemas['LetterOut'][]) =>
  keptEdits(name, drafts).letters.map((each) => each.title);

function edit(name: string, drafts: Schemas['LetterOut'][]) {
  const { letters } = keptEdits(name, drafts);
  keepEdits(
    name,
    drafts,
    letters.map((each) => ({ ...each, title: 'Edited' })),
  );
}

describe('edited letters', () => {
  it('begin as the drafts, with their picture where there is one', () => {
    const { letters, isOld } = keptEdits('parent/1', [draft(1), draft(2, false)]);
    expect(letters.map((each) => each.picture)).toEqual([true, false]);
    expect(isOld).toBe(false);
  });

  it('outlive a reload, each player’s for itself', () => {
    edit('parent/1', [draft(1)]);
    expect(titles('parent/1', [draft(1), draft(2)])).toEqual(['Edited', 'Pia’s lessons']);
    expect(titles('doctor/1', [draft(1)])).toEqual(['Pia’s lessons']);
    forgetEdits('parent/1');
    expect(titles('parent/1', [draft(1)])).toEqual(['Pia’s lessons']);
  });

  it('say when the records have moved on, however often one edits after that', () => {
    edit('parent/1', [draft(1)]);
    expect(keptEdits('parent/1', [draft(1)]).isOld).toBe(false);
    const later = { ...draft(1), title: 'Pia’s lessons, a term later' };
    expect(keptEdits('parent/1', [later]).isOld).toBe(true);
    edit('parent/1', [later]);
    expect(keptEdits('parent/1', [later]).isOld).toBe(true);
  });

  it('are gone after signing out, and nothing else is', () => {
    edit('parent/1', [draft(1)]);
    sessionStorage.setItem('another', 'thing');
    forgetAllEdits();
    expect(titles('parent/1', [draft(1)])).toEqual(['Pia’s lessons']);
    expect(sessionStorage.getItem('another')).toBe('thing');
  });

  it('begin anew where what was kept cannot be read', () => {
    sessionStorage.setItem('letters/parent/1', '{');
    expect(keptEdits('parent/1', [draft(1)]).letters).toHaveLength(1);
  });
});
