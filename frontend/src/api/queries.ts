import { queryOptions, replaceEqualDeep } from '@tanstack/react-query';

import { client, type Lesson, type Schemas, unwrap } from './client';

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: async () => unwrap(await client.GET('/api/session')),
  staleTime: Infinity,
});

export const catalogueQuery = queryOptions({
  queryKey: ['catalogue'],
  queryFn: async () => unwrap(await client.GET('/api/catalogue')),
  staleTime: Infinity,
});

export const todayQuery = queryOptions({
  queryKey: ['today'],
  queryFn: async () => unwrap(await client.GET('/api/players/today')),
});

export const drillChoicesQuery = queryOptions({
  queryKey: ['drills', 'choices'],
  queryFn: async () => unwrap(await client.GET('/api/drills/choices')),
  staleTime: Infinity,
});

/** `whole`: with all lessons, not only the newest. */
export const playerQuery = (id: number, whole = false) =>
  queryOptions({
    queryKey: whole ? ['player', id, 'whole'] : ['player', id],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/players/{player_id}', {
          params: { path: { player_id: id }, query: { whole } },
        }),
      ),
  });

export const setupsQuery = (id: number) =>
  queryOptions({
    queryKey: ['setups', id],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/players/{player_id}/setups', {
          params: { path: { player_id: id } },
        }),
      ),
  });

/** Lines to oneself about a player. */
export const notesQuery = (id: number) =>
  queryOptions({
    queryKey: ['notes', id],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/players/{player_id}/notes', {
          params: { path: { player_id: id } },
        }),
      ),
  });

/** What the instrument asks of the hand, with the span as it was last measured. */
export const reachQuery = (id: number) =>
  queryOptions({
    queryKey: ['reach', id],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/players/{player_id}/reach', {
          params: { path: { player_id: id } },
        }),
      ),
  });

export const picturesQuery = (id: number) =>
  queryOptions({
    queryKey: ['pictures', id],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/players/{player_id}/pictures', {
          params: { path: { player_id: id } },
        }),
      ),
  });

export const lessonQuery = (id: number) =>
  queryOptions({
    queryKey: ['lesson', id],
    queryFn: async () =>
      unwrap(await client.GET('/api/lessons/{lesson_id}', { params: { path: { lesson_id: id } } })),
    // An answer that was on its way before an entry was taken must not take it off the page.
    structuralSharing: (known, fresh) =>
      revisionOf(fresh) < revisionOf(known) ? known : replaceEqualDeep(known, fresh),
  });

function revisionOf(lesson: unknown): number {
  return (lesson as Lesson | undefined)?.revision ?? 0;
}

export interface SheetPaper {
  paper: 'a4' | 'us-letter';
  large: boolean;
  /** With a page for whoever sits beside at home. */
  helper: boolean;
}

export const sheetQuery = (id: number) =>
  queryOptions({
    queryKey: ['sheet', id],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/lessons/{lesson_id}/sheet', { params: { path: { lesson_id: id } } }),
      ),
    staleTime: 0,
  });

/** The same sheet as pictures of its pages. `paper`: as the address of the PDF asks for it. */
export const sheetPagesQuery = (id: number, paper: SheetPaper) =>
  queryOptions({
    queryKey: ['sheet', id, 'pages', paper],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/lessons/{lesson_id}/sheet/pages', {
          params: { path: { lesson_id: id }, query: paper },
        }),
      ),
    staleTime: 0,
  });

export const keptQuery = (playerId: number) =>
  queryOptions({
    queryKey: ['player', playerId, 'kept'],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/players/{player_id}/kept', {
          params: { path: { player_id: playerId } },
        }),
      ),
  });

export const linkQuery = (lessonId: number) =>
  queryOptions({
    queryKey: ['link', lessonId],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/lessons/{lesson_id}/link', {
          params: { path: { lesson_id: lessonId } },
        }),
      ),
    staleTime: 0,
  });

export const lettersQuery = (
  reader: Schemas['Reader'],
  players: readonly number[],
  group: number | null,
) =>
  queryOptions({
    queryKey: ['letters', reader, players, group],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/letters/{reader}', {
          params: { path: { reader }, query: { players: [...players], group } },
        }),
      ),
    // Drafted anew at every visit: what they are told from may have changed.
    staleTime: Infinity,
    gcTime: 0,
  });

export const termQuery = (playerId: number, span: string, size: 'page' | 'narrow') =>
  queryOptions({
    queryKey: ['term', playerId, span, size],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/players/{player_id}/term', {
          params: {
            path: { player_id: playerId },
            query: { span: span as Schemas['Span'], size },
          },
        }),
      ),
    staleTime: 0,
  });

export const lastTimeQuery = (lessonId: number) =>
  queryOptions({
    queryKey: ['last-time', lessonId],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/lessons/{lesson_id}/last-time', {
          params: { path: { lesson_id: lessonId } },
        }),
      ),
    staleTime: 0,
  });
