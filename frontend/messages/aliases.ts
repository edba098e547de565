import { fileURLToPath } from 'node:url';

const COMPILED = /^(\.\.?\/)+messages\/compiled\//;

/** For the build: a module a message, in the language that was asked for. */
export function splitMessages(command: 'build' | 'serve') {
  if (command !== 'build') return [];
  const language = process.env.JOLF_LANGUAGE ?? 'en';
  const folder = new URL(`../src/messages/split/${language}/`, import.meta.url);
  return [{ find: COMPILED, replacement: fileURLToPath(folder) }];
}
