import { useState } from 'react';

import type { LessonHandle } from './useLesson';

/** Tells the name that was among these and went with the newest undo, so that the question it answered
 * comes back; unless something else was `chosen` since, which then stays. `onTakenBack` only sets
 * state: it is called while rendering. */
export function useTakenBack(
  { undos }: Pick<LessonHandle, 'undos'>,
  done: string[],
  chosen: string,
  onTakenBack: (name: string) => void,
): void {
  const [seen, setSeen] = useState({ done, undos, chosen, isOpen: false });
  const isAsked = undos !== seen.undos;
  if (!isAsked && seen.done.join() === done.join()) return;
  const at = isAsked ? chosen : seen.chosen;
  const isOpen = isAsked || seen.isOpen;
  const gone = isOpen ? seen.done.find((name) => !done.includes(name)) : undefined;
  setSeen({ done, undos, chosen: at, isOpen: isOpen && gone === undefined });
  if (gone !== undefined && chosen === at) onTakenBack(gone);
}
