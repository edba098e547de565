import { useQuery } from '@tanstack/react-query';

import { lastTimeQuery } from '../api/queries';
import css from './HomeReport.module.css';
import * as say from '../messages/compiled/lesson';

/** What else there was last time: trials, words on causes, the own line, stops that were lifted. */
export function LastTime({ lessonId }: { lessonId: number }) {
  const lines = useQuery(lastTimeQuery(lessonId)).data ?? [];
  if (lines.length === 0) return null;
  return (
    <section>
      <h2>{say.lastTimeBesides()}</h2>
      <ul className={css.besides}>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </section>
  );
}
