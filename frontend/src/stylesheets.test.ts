import { describe, expect, it } from 'vitest';

const sheets = import.meta.glob<string>('./**/*.module.css', {
  query: '?raw',
  import: 'default',
  eager: true,
});
const sources = import.meta.glob<string>('./**/*.{ts,tsx}', {
  query: '?raw',
  import: 'default',
  eager: true,
});

const ELEMENTS = new Set(
  (
    'a article aside b button caption circle details dd div dl dt em fieldset figcaption figure ' +
    'footer form g h1 h2 h3 h4 header html i img input kbd label legend li main nav ol option p ' +
    'path pre rect section select small span strong summary svg table tbody td text textarea th ' +
    'thead time tr ul audio canvas video hr polyline sub meter'
  ).split(' '),
);
/** Their classes are the kinds that the server names. */
const BY_KIND = ['./drawings/hand.module.css'];

/** Selectors of a sheet, without comments, declarations and what belongs to at-rules. */
function selectorsOf(sheet: string): string[] {
  const bare = sheet.replace(/\/\*[\s\S]*?\*\//g, '');
  return [...bare.matchAll(/([^{};]+)\{/g)]
    .map((found) => (found[1] ?? '').trim())
    .filter((head) => head !== '' && !head.startsWith('@') && !/^(from|to|[\d.]+%)/.test(head));
}

/** A selector without classes, attributes, pseudo-classes and the like: element names are left. */
function elementsOf(selector: string): string[] {
  return selector
    .replace(/:global\([^)]*\)/g, ' ')
    .replace(/\[[^\]]*\]/g, '')
    .replace(/::?[\w-]+(\([^)]*\))?/g, '')
    .replace(/[.#][\w-]+/g, '')
    .split(/[\s,>+~()]+/)
    .filter((name) => name !== '' && name !== '*' && name !== '&');
}

describe('style sheets', () => {
  it('are read', () => {
    expect(Object.keys(sheets).length).toBeGreaterThan(50);
    expect(Object.values(sheets).every((sheet) => sheet.includes('{'))).toBe(true);
  });

  it.each(Object.entries(sheets))('%s names elements that there are', (_name, sheet) => {
    const unknown = selectorsOf(sheet).flatMap(elementsOf);
    expect(unknown.filter((name) => !ELEMENTS.has(name))).toEqual([]);
  });

  it.each(Object.entries(sheets).filter(([name]) => !BY_KIND.includes(name)))(
    '%s has no class that nothing uses',
    (name, sheet) => {
      const file = name.split('/').at(-1) ?? name;
      const used = Object.values(sources)
        .filter((source) => source.includes(`/${file}'`))
        .join('\n');
      const classes = selectorsOf(sheet)
        .map((head) => head.replace(/:global\([^)]*\)/g, '').replace(/\[[^\]]*\]/g, ''))
        .flatMap((head) =>
          [...head.matchAll(/\.([a-zA-Z][\w-]*)/g)].map((found) => found[1] ?? ''),
        );
      const unused = [...new Set(classes)].filter(
        (each) => !new RegExp(`\\.${each}\\b|\\[['"\`]${each}`).test(used),
      );
      expect(unused).toEqual([]);
    },
  );
});
