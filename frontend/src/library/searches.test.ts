import { describe, expect, it } from 'vitest';

import type { Catalogue } from '../api/client';
import { searched } from './search';
import searches from './searches.json';

// Told by the whole run of the tests, which writes the catalogue as the server sends it.
const FILE = import.meta.env['VITE_CATALOGUE'] as string | undefined;
const FIRST = 3;
const read = async (file: string) =>
  ((await import(/* @vite-ignore */ file)) as { default: Catalogue }).default;

describe.skipIf(!FILE)('what teachers, parents and children type', async () => {
  const catalogue = FILE ? await read(FILE) : null;

  it.each(searches as [string, string[]][])('"%s" finds it among the first three', (typed, ids) => {
    const found = catalogue ? searched(catalogue, typed, null).map(({ entry }) => entry.id) : [];
    expect(ids).toContain(found.slice(0, FIRST).find((id) => ids.includes(id)) ?? found);
  });
});
