import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useLocation } from 'wouter';

import { client, unwrap } from './client';
import { lessonQuery } from './queries';

/** Begin (or go on with) today's lesson of a player and go there. */
export function useStartLesson() {
  const cache = useQueryClient();
  const [, navigate] = useLocation();
  return useMutation({
    mutationFn: async (playerId: number) =>
      unwrap(
        await client.POST('/api/players/{player_id}/lessons', {
          params: { path: { player_id: playerId } },
        }),
      ),
    onSuccess: (lesson) => {
      cache.setQueryData(lessonQuery(lesson.id).queryKey, lesson);
      void cache.invalidateQueries({ queryKey: ['today'] });
      navigate(`/lessons/${lesson.id}`);
    },
  });
}
