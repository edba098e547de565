// Lists and plain sentences after each other, as the language writes them.

import * as say from '../messages/compiled/words';
export const LOCALE = 'en-GB';

const ALL = /* @__PURE__ */ new Intl.ListFormat(LOCALE, { type: 'conjunction' });
const EITHER = /* @__PURE__ */ new Intl.ListFormat(LOCALE, { type: 'disjunction' });
const BESIDE = /* @__PURE__ */ new Intl.ListFormat(LOCALE, { type: 'unit', style: 'short' });

/** What is there: a piece of text, a number, or nothing. */
type Maybe = string | number | false | null | undefined;

const there = (items: readonly Maybe[]) =>
  items
    .filter((each) => each !== '' && each !== false && each !== null && each !== undefined)
    .map(String);

/** One, two and three. */
export const listed = (items: readonly Maybe[]) => ALL.format(there(items));

/** One, two or three. */
export const eitherOf = (items: readonly Maybe[]) => EITHER.format(there(items));

/** One, two, three. */
export const beside = (items: readonly Maybe[]) => BESIDE.format(there(items));

/** Whole sentences, one after another. */
export const sentences = (items: readonly Maybe[]) => there(items).join(' ');

/** From one to another: bars, days. */
export const fromTo = (span: readonly (string | number)[]) =>
  say.fromTo({ first: span[0] ?? '', last: span.at(-1) ?? '' });

/** First this, then that. */
export const inTurn = (items: readonly string[]) =>
  items.reduce((first, then) => say.firstThen({ first, then }));
