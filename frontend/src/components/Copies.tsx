import { shortDate } from '../words/words';

/** Copies of the whole studio beside it hold what was erased since; says who removes them and how. */
export function Copies({ days }: { days: string[] }) {
  if (days.length === 0) return null;
  return (
    <p>
      Copies of the whole studio from before an update or a restore hold what was erased since:{' '}
      {days.map((day) => shortDate(day)).join(', ')}. Whoever runs Jolf on its computer removes them
      with <code>jolf forget</code>.
    </p>
  );
}
