// For the build: a message without values is put where it is said, as the words themselves.
import { readFileSync } from 'node:fs';

import { parse } from '@messageformat/parser';

import { madeUp } from './madeUp.mjs';

const IMPORT = /import \* as say from '(?:\.\.?\/)+messages\/compiled\/(\w+)';/;
const SAID = /\bsay\s*\.\s*(\w+)\(\)/g;

/** A plugin of the bundler. `language`: a folder of messages, or the made-up language. */
export function inlineMessages(language = process.env.JOLF_LANGUAGE ?? 'en') {
  const files = new Map();
  const wordsOf = (name) => {
    if (!files.has(name)) files.set(name, readWords(name, language));
    return files.get(name);
  };
  return {
    name: 'inline-messages',
    enforce: 'pre',
    apply: 'build',
    transform(code, id) {
      const from = IMPORT.exec(code);
      if (!from || !/\.tsx?$/.test(id)) return null;
      const words = wordsOf(from[1]);
      return code.replace(SAID, (call, key) =>
        words.has(key) ? JSON.stringify(words.get(key)) : call,
      );
    },
  };
}

/** Messages that need no value, by key. */
function readWords(name, language) {
  const isMadeUp = language === 'made-up';
  const folder = isMadeUp ? 'en' : language;
  const file = new URL(`../src/messages/${folder}/${name}.json`, import.meta.url);
  const plain = Object.entries(JSON.parse(readFileSync(file, 'utf8'))).flatMap(([key, text]) => {
    const tokens = parse(text);
    if (tokens.some((token) => token.type !== 'content')) return [];
    const words = tokens.map((token) => token.value).join('');
    return [[key, isMadeUp ? madeUp(words) : words]];
  });
  return new Map(plain);
}
