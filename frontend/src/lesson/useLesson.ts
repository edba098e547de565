import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useState, useSyncExternalStore } from 'react';

import { ApiError, client, type Lesson, unwrap } from '../api/client';
import { newKey } from '../api/newKey';
import { lessonQuery } from '../api/queries';
import { EntryQueue, type QueueState } from '../api/entryQueue';
import { withEntries } from './overlay';

export interface LessonHandle {
  lesson: Lesson;
  queue: QueueState;
  enter: (kind: string, key: string, value: unknown) => void;
  undo: () => void;
  undoProblem: string | null;
  /** Entries are on their way, so what follows from them is not known yet. */
  weighing: boolean;
}

const REFRESH_EVERY = 15_000;

/** The lesson with everything entered so far, and the way to enter more. */
export function useLesson(id: number): LessonHandle | { error: Error } | null {
  const cache = useQueryClient();
  const options = lessonQuery(id);
  const query = useQuery({
    ...options,
    refetchInterval: REFRESH_EVERY,
    refetchOnWindowFocus: true,
  });
  const [undoProblem, setUndoProblem] = useState<string | null>(null);

  const queue = useMemo(
    () =>
      new EntryQueue({
        send: async (entry) =>
          unwrap(
            await client.POST('/api/lessons/{lesson_id}/entries', {
              params: { path: { lesson_id: id } },
              body: {
                client_key: entry.clientKey,
                kind: entry.kind,
                key: entry.key,
                value: entry.value,
              },
            }),
          ),
        onAnswer: (lesson) => cache.setQueryData(lessonQuery(id).queryKey, lesson),
        onRefused: () => void cache.invalidateQueries({ queryKey: lessonQuery(id).queryKey }),
        storage: globalThis.localStorage,
        storageKey: `jolf.lesson.${id}`,
        network: window,
      }),
    [id, cache],
  );
  const state = useSyncExternalStore(queue.subscribe, queue.snapshot);

  const enter = useCallback(
    (kind: string, key: string, value: unknown) => {
      setUndoProblem(null);
      queue.push({ clientKey: newKey(), kind, key, value });
    },
    [queue],
  );
  const undo = useCallback(() => {
    if (queue.takeBack()) return;
    client
      .POST('/api/lessons/{lesson_id}/undo', { params: { path: { lesson_id: id } } })
      .then((answer) => {
        cache.setQueryData(lessonQuery(id).queryKey, unwrap(answer));
        setUndoProblem(null);
      })
      .catch((error: unknown) => {
        setUndoProblem(
          error instanceof ApiError ? error.message : 'No connection: undo works when it is back.',
        );
      });
  }, [queue, cache, id]);

  if (query.data === undefined) return query.error ? { error: query.error } : null;
  return {
    lesson: withEntries(query.data, queue.pending()),
    queue: state,
    enter,
    undo,
    undoProblem,
    weighing: state.waiting > 0 && !state.offline,
  };
}
