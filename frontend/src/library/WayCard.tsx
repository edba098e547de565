import type { Catalogue } from '../api/client';
import { instrumentsWords } from '../words/words';
import css from './LibraryPage.module.css';
import * as say from '../messages/compiled/library';
import { beside } from '../words/lists';

interface Props {
  catalogue: Catalogue;
  id: string;
}

/** A point on which good teachers differ: what each school says for it, and what it changes here. */
export function WayCard({ catalogue, id }: Props) {
  const way = catalogue.ways.find((each) => each.id === id);
  if (!way) return null;
  return (
    <>
      <p className={css.kindline}>
        {beside([say.whereTeachersDiffer(), instrumentsWords(way.instruments)])}
      </p>
      <h2>{way.label}</h2>
      {way.schools.map((school, index) => (
        <section key={school.id} className={css.school}>
          <h3>
            {school.words}
            {index === 0 && <small> {say.theUsualOneHere()}</small>}
          </h3>
          <p className={css.child}>{school.says}</p>
          <ul>
            {school.changes.map((change) => (
              <li key={change}>{change}</li>
            ))}
          </ul>
        </section>
      ))}
    </>
  );
}
