import { shortDate } from '../words/words';
import * as say from '../messages/compiled/components';
import { Rich } from '../messages/Rich';
import { listed } from '../words/lists';

/** Copies of the whole studio beside it hold what was erased since; says who removes them and how. */
export function Copies({ days }: { days: string[] }) {
  if (days.length === 0) return null;
  return (
    <p>
      <Rich
        says={say.copiesOfTheWholeStudio({ days: listed(days.map((day) => shortDate(day))) })}
        as={{ code: (words) => <code>{words}</code> }}
      />
    </p>
  );
}
