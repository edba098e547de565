import { Fragment, type ReactNode } from 'react';

const PART = /<(\w+)>(.*?)<\/\1>/g;

type Draw = Record<string, (words: string) => ReactNode>;

const PLAIN: Draw = {
  strong: (words) => <strong>{words}</strong>,
  em: (words) => <em>{words}</em>,
  code: (words) => <code>{words}</code>,
};

/**
 * A message in which some words stand out or can be touched: what stands in `<name>…</name>` is drawn by
 * `as`, where that knows the name, and else as the plain element of that name.
 */
export function Rich({ says, as = {} }: { says: string; as?: Draw }) {
  const drawn: ReactNode[] = [];
  let from = 0;
  for (const found of says.matchAll(PART)) {
    const [whole, name = '', words = ''] = found;
    drawn.push(says.slice(from, found.index), (as[name] ?? PLAIN[name])?.(words) ?? words);
    from = found.index + whole.length;
  }
  return [...drawn, says.slice(from)].map((each, at) => <Fragment key={at}>{each}</Fragment>);
}
