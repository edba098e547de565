import { useState } from 'react';

import type { LessonHandle } from './useLesson';

/** Tells the name that was among these and went with the newest undo, so that the question it answered
 * comes back. `onTakenBack` only sets state: it is called while rendering. */
export function useTakenBack(
  { undos }: Pick<LessonHandle, 'undos'>,
  done: string[],
  onTakenBack: (name: string) => void,
): void {
  const [seen, setSeen] = useState({ done, undos });
  if (seen.done.join() === done.join()) return;
  const gone = seen.done.find((name) => !done.includes(name));
  const isUndone = gone !== undefined && undos !== seen.undos;
  setSeen({ done, undos: isUndone ? undos : seen.undos });
  if (isUndone) onTakenBack(gone);
}
