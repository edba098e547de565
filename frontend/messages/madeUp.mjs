// A language nobody speaks: English with every word marked. What stands unmarked on a page in it
// did not come from a message file.
import { parse } from '@messageformat/parser';

const MARKS = {
  a: 'á',
  e: 'é',
  i: 'í',
  o: 'ó',
  u: 'ú',
  y: 'ý',
  A: 'Á',
  E: 'É',
  I: 'Í',
  O: 'Ó',
  U: 'Ú',
  Y: 'Ý',
};

/** Marks words, not the tags around a part that stands out. */
const marked = (text) => text.replace(/<\/?\w+>|[aeiouyAEIOUY]/g, (found) => MARKS[found] ?? found);

function written(token) {
  if (token.type === 'content') return marked(token.value).replace(/[{}]/g, "'$&'");
  if (token.type === 'octothorpe') return '#';
  if (token.type === 'argument') return `{${token.arg}}`;
  const cases = token.cases.map((each) => `${each.key} {${each.tokens.map(written).join('')}}`);
  return `{${token.arg}, ${token.type}, ${cases.join(' ')}}`;
}

/** A message (ICU MessageFormat) with its words marked and its values left as they are. */
export const madeUp = (text) => parse(text).map(written).join('');
