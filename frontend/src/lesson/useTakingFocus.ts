import { useEffect, useState } from 'react';

import type { LessonHandle } from './useLesson';

/** ms for which a focus that has just changed is not taken: what was pressed meant the one before. */
const SETTLED_AFTER = 400;

interface Taking {
  take: () => void;
  /** Another focus has come up while one looked. */
  isChanged: boolean;
}

/** Takes the focus that is named on the screen. While entries are weighed it waits for them, and takes
 * nothing where another name has come up by then. */
export function useTaking(handle: LessonHandle, onDone: () => void): Taking {
  const { lesson, enter, weighing } = handle;
  const named = lesson.focus.map((focus) => focus.cause).join();
  const [shown, setShown] = useState({ named, isNew: false, isChanged: false });
  if (shown.named !== named) setShown({ named, isNew: true, isChanged: true });
  const [asked, setAsked] = useState<string | null>(null);
  if (asked !== null && asked !== named) setAsked(null);

  useEffect(() => {
    if (!shown.isNew) return undefined;
    const timer = setTimeout(() => setShown((each) => ({ ...each, isNew: false })), SETTLED_AFTER);
    return () => clearTimeout(timer);
  }, [shown.isNew, shown.named]);

  useEffect(() => {
    if (asked === null || weighing) return;
    enter('focus', '', asked === '' ? [] : asked.split(','));
    onDone();
  }, [asked, weighing, enter, onDone]);

  return {
    take: () => {
      if (!shown.isNew) setAsked(named);
    },
    isChanged: shown.isChanged,
  };
}
