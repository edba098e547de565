import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { client, type Lesson, unwrap } from '../api/client';
import type { PlanItem } from './planDraft';

const NOWHERE = { string: null, position: null };

/** Steps, picture and music of an exercise as the sheet will have them; `place` in the week: 1.. */
export function useHow(item: PlanItem, place: number, lesson: Lesson) {
  const { exercise, rung, tempo, goal, fingers, spot, in_piece: piece } = item;
  const of = [exercise, rung, tempo, goal, fingers.join(), piece?.piece, piece?.bars.join()];
  const { string, position } = spot ?? NOWHERE;
  return useQuery({
    queryKey: ['how', lesson.id, place, ...of, string, position],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/lessons/{lesson_id}/how', {
          params: {
            path: { lesson_id: lesson.id },
            query: { exercise, rung, place, string, position },
          },
        }),
      ),
    placeholderData: keepPreviousData,
  });
}
