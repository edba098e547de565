import type { Catalogue } from '../api/client';
import css from './LibraryPage.module.css';
import * as say from '../messages/compiled/library';

const POINT = '- ';

/** A page of help: paragraphs and points. */
export function HelpCard({ catalogue, id }: { catalogue: Catalogue; id: string }) {
  const page = catalogue.help.find((each) => each.id === id);
  if (!page) return null;
  return (
    <>
      <p className={css.kindline}>{say.help()}</p>
      <h2>{page.title}</h2>
      {page.text.map((line) => (
        <p key={line} className={line.startsWith(POINT) ? css.point : undefined}>
          {line.startsWith(POINT) ? line.slice(POINT.length) : line}
        </p>
      ))}
    </>
  );
}
