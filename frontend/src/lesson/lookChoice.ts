import { useState } from 'react';

import type { Evidence, Lesson } from '../api/client';
import { STAGE_WORDS } from '../words/words';
import {
  askedFirst,
  checksAt,
  isDone,
  type ListChoice,
  placeless,
  trialsInOrder,
} from './lookList';
import * as say from '../messages/compiled/lesson';

/** Where on the hand a check is asked; its own finger's place where it has one. */
export function placeOf(item: Evidence, finger: number | null) {
  return { place: item.place, finger: item.of_finger ?? (item.per_finger ? finger : null) };
}

interface HeldLook {
  checks: string[];
  /** Why each comes now. */
  whys: Record<string, string>;
}

/** The proposed look stays until all of it is done, so that nothing jumps under the finger. */
export function useHeldLook(lesson: Lesson): HeldLook {
  const fresh = { checks: lesson.look?.checks ?? [], whys: lesson.look?.whys ?? {} };
  const [held, setHeld] = useState<HeldLook>(fresh);
  const finished = held.checks.every((id) => isDone(lesson, id));
  const isNews = fresh.checks.length > 0 && !fresh.checks.every((id) => isDone(lesson, id));
  if (finished && isNews && fresh.checks.join() !== held.checks.join()) {
    setHeld(fresh);
    return fresh;
  }
  return held;
}

interface Asking {
  title: string;
  items: Evidence[];
  whys: Record<string, string>;
}

export function listFor(
  choice: ListChoice,
  lesson: Lesson,
  mine: Evidence[],
  held: HeldLook,
): Asking {
  const look = held.checks;
  switch (choice.kind) {
    case 'spot': {
      const items = askedFirst(checksAt(mine, choice.spot), look);
      return { title: choice.spot.name, items, whys: {} };
    }
    case 'check': {
      const items = mine.filter((e) => e.id === choice.check);
      return { title: items[0]?.label ?? '', items, whys: {} };
    }
    case 'trials': {
      const items = trialsInOrder(lesson, mine);
      return { title: say.changeOneThingDoesIt(), items, whys: {} };
    }
    case 'placeless':
      return { title: say.tempoAndReports(), items: placeless(mine), whys: {} };
    case 'look': {
      const items = look.flatMap((id) => mine.filter((e) => e.id === id));
      const stage = STAGE_WORDS[items[0]?.stage ?? ''] ?? '';
      const title = lesson.look?.again ? say.theSameAgain() : say.nextLookOfStage({ stage });
      return { title, items, whys: held.whys };
    }
  }
}
