// Message files of a language (ICU MessageFormat, a file a folder of the pages) made into modules of
// small typed functions. The build takes a module a message (`split`), so that a page carries only what
// it says; types, tests and the development server take a module a file (`compiled`).
// Run before anything that reads the pages.
import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';

import MessageFormat from '@messageformat/core';
import compileModule from '@messageformat/core/compile-module.js';
import { parse } from '@messageformat/parser';

import { madeUp } from './madeUp.mjs';

const MADE_UP = 'made-up';
const language = process.env.JOLF_LANGUAGE ?? 'en';
const isMadeUp = language === MADE_UP;
const root = new URL('../src/messages/', import.meta.url);
const from = new URL(`${isMadeUp ? 'en' : language}/`, root);
const compiled = new URL('compiled/', root);
const split = new URL(`split/${language}/`, root);

/** What a message has to be told: the name of each value and its type. */
function valuesOf(tokens, values = new Map()) {
  for (const token of tokens) {
    if (token.type === 'content' || token.type === 'octothorpe') continue;
    const isCount = token.type === 'plural' || token.type === 'selectordinal';
    const known = values.get(token.arg);
    values.set(token.arg, isCount ? 'number' : (known ?? 'string | number'));
    for (const each of token.cases ?? []) valuesOf(each.tokens, values);
  }
  return values;
}

function typed(key, text) {
  const values = [...valuesOf(parse(text))].map(([name, type]) => `${name}: ${type}`);
  return `export function ${key}(${values.length ? `values: { ${values.join('; ')} }` : ''}): string;`;
}

function writeIfNew(url, text) {
  let before = '';
  try {
    before = readFileSync(url, 'utf8');
  } catch {
    // Not there yet.
  }
  if (before !== text) writeFileSync(url, text);
}

const STATEMENT = /^ {2}(\w+): (.*?),?$/gm;

/** What the functions of a compiled module need, and each of them by its name. */
function taken(code) {
  const [imports, functions] = code.split('export default {\n');
  return {
    imports,
    functions: [...functions.matchAll(STATEMENT)].map(([, key, made]) => [key, made]),
  };
}

const format = new MessageFormat('en', { returnType: 'string' });
for (const file of readdirSync(from)) {
  const name = file.replace(/\.json$/, '');
  const messages = JSON.parse(readFileSync(new URL(file, from), 'utf8'));
  // A module with an export of this name would be taken for a promise.
  if ('then' in messages) throw new Error(`${file}: a message cannot be called "then"`);
  const told = Object.entries(messages).map(([key, text]) => [key, isMadeUp ? madeUp(text) : text]);
  const { imports, functions } = taken(compileModule(format, Object.fromEntries(told)));
  // Words, and nothing that the code reads: another language would change it.
  const code = Object.entries(messages).find(([, text]) => /[[\]]|\((prefers|min|max)-/.test(text));
  if (code) throw new Error(`${file}: ${code[0]} is no message: ${code[1]}`);
  // Told so, a table of words that a page does not use stays out of it.
  const statements = functions.map(
    ([key, made]) => `export const ${key} = /* @__NO_SIDE_EFFECTS__ */ ${made};\n`,
  );
  mkdirSync(new URL(`${name}/`, split), { recursive: true });
  const needs = (made) => (/\b(plural|select|number|date|time)\(/.test(made) ? imports : '');
  functions.forEach(([key, made], at) =>
    writeIfNew(new URL(`${name}/${key}.js`, split), needs(made) + statements[at]),
  );
  const leads = functions.map(([key]) => `export { ${key} } from './${name}/${key}.js';\n`);
  writeIfNew(new URL(`${name}.js`, split), leads.join(''));
  if (isMadeUp) continue;
  mkdirSync(compiled, { recursive: true });
  writeIfNew(new URL(`${name}.js`, compiled), `${imports}${statements.join('')}`);
  const types = Object.entries(messages).map(([key, text]) => typed(key, text));
  writeIfNew(new URL(`${name}.d.ts`, compiled), `${types.join('\n')}\n`);
}
