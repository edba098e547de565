import { useQuery } from '@tanstack/react-query';
import { useCallback, useState } from 'react';

import type { Lesson, Schemas } from '../api/client';
import { newKey } from '../api/newKey';
import { lessonQuery } from '../api/queries';
import type { KeptEntry } from '../outbox/entry';
import type { OutboxState } from '../outbox/outboxState';
import { lessonChannel, studioOutbox } from '../outbox/studio';
import { useOutbox } from '../outbox/useOutbox';
import { nextUndo, withEntries } from './overlay';
import * as say from '../messages/compiled/lesson';

type LessonEntry = Schemas['EntryIn'];
type EntryKind = LessonEntry['kind'];
type EntryValue<Kind extends EntryKind> = Extract<LessonEntry, { kind: Kind }>['value'];
/** Enters one thing; the kind says what the value is. */
export type Enter = <Kind extends EntryKind>(
  kind: Kind,
  key: string,
  value: EntryValue<Kind>,
) => void;

export interface LessonHandle {
  lesson: Lesson;
  queue: OutboxState;
  enter: Enter;
  undo: () => void;
  undoProblem: string | null;
  /** How often something was taken back on this page. */
  undos: number;
  /** Entries are on their way, so what follows from them is not known yet. */
  weighing: boolean;
  /** Something was changed in another window since the last entry here. */
  changedElsewhere: boolean;
}

const REFRESH_EVERY = 15_000;

/** The lesson with everything entered so far, and the way to enter more. */
export function useLesson(id: number): LessonHandle | { error: Error } | null {
  const query = useQuery({
    ...lessonQuery(id),
    refetchInterval: REFRESH_EVERY,
    refetchOnWindowFocus: true,
  });
  const [undoProblem, setUndoProblem] = useState<string | null>(null);
  const [undos, setUndos] = useState(0);
  const state = useOutbox(studioOutbox);
  const channel = lessonChannel(id);
  const pending = state.waiting.filter((entry) => entry.channel === channel);
  const changedElsewhere = useChangedElsewhere(query.data, pending);

  const enter = useCallback<Enter>(
    (kind, key, value) => {
      setUndoProblem(null);
      studioOutbox.push(channel, { clientKey: newKey(), kind, key, value });
    },
    [channel],
  );
  const lesson = query.data;
  const undo = useCallback(() => {
    if (!lesson) return;
    setUndos((count) => count + 1);
    const newest = studioOutbox.pending(channel).at(-1);
    if (newest && newest.kind !== 'undo' && studioOutbox.takeBack(channel)) return;
    const target = nextUndo(lesson, studioOutbox.pending(channel));
    setUndoProblem(target === null ? say.thereIsNothingLeftTo() : null);
    if (target === null) return;
    studioOutbox.push(channel, { clientKey: newKey(), kind: 'undo', key: target, value: null });
  }, [lesson, channel]);

  if (lesson === undefined) return query.error ? { error: query.error } : null;
  return {
    lesson: withEntries(lesson, pending),
    queue: state,
    enter,
    undo,
    undoProblem,
    undos,
    weighing: pending.length > 0 && !state.offline,
    changedElsewhere,
  };
}

/** True when the revision rose by more than what was sent from here. */
function useChangedElsewhere(lesson: Lesson | undefined, pending: readonly KeptEntry[]): boolean {
  const revision = lesson?.revision ?? 0;
  const [seen, setSeen] = useState({ revision, waiting: pending.length, elsewhere: false });
  if (lesson && (seen.revision !== revision || seen.waiting !== pending.length)) {
    const rose = seen.revision > 0 ? revision - seen.revision : 0;
    const sent = Math.max(0, seen.waiting - pending.length);
    const entered = pending.length > seen.waiting;
    const elsewhere = rose > sent + seen.waiting || (seen.elsewhere && !entered);
    setSeen({ revision, waiting: pending.length, elsewhere });
  }
  return seen.elsewhere;
}
