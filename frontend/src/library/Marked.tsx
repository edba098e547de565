import css from './LibraryPage.module.css';

/** A text with the words that were looked for marked in it. */
export function Marked({ text, words }: { text: string; words: string[] }) {
  if (words.length === 0) return text;
  const found = new RegExp(`(${words.map(escaped).join('|')})`, 'gi');
  return text.split(found).map((part, at) =>
    // What was caught stands at the odd places.
    at % 2 === 1 ? (
      <mark key={at} className={css.mark}>
        {part}
      </mark>
    ) : (
      part
    ),
  );
}

function escaped(word: string): string {
  return word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
