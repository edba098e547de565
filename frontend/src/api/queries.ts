import { queryOptions, replaceEqualDeep } from '@tanstack/react-query';

import { ApiError, client, type Lesson, type Schemas, unwrap } from './client';

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

export const deskQuery = queryOptions({
  queryKey: ['desk'],
  queryFn: async () => unwrap(await client.GET('/api/desk')),
});

export interface SheetPaper {
  paper: 'a4' | 'us-letter';
  large: boolean;
  /** With a page for whoever sits beside at home. */
  helper: boolean;
}

export const classSheetsQuery = (id: number) =>
  queryOptions({
    queryKey: ['group', id, 'sheets'],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/groups/{group_id}/sheets', { params: { path: { group_id: id } } }),
      ),
    staleTime: 0,
  });

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

export const allKeptQuery = queryOptions({
  queryKey: ['desk', 'kept'],
  queryFn: async () => unwrap(await client.GET('/api/desk/kept')),
});

/** The studio's figures since a day. */
export const glanceQuery = (since: string) =>
  queryOptions({
    queryKey: ['desk', 'glance', since],
    queryFn: async () =>
      unwrap(await client.GET('/api/desk/glance', { params: { query: { since } } })),
  });

export const holidaysQuery = queryOptions({
  queryKey: ['desk', 'holidays'],
  queryFn: async () => unwrap(await client.GET('/api/desk/holidays')),
});

export const copiesQuery = queryOptions({
  queryKey: ['desk', 'copies'],
  queryFn: async () => unwrap(await client.GET('/api/desk/copies')),
});

export const peopleQuery = queryOptions({
  queryKey: ['desk', 'people'],
  queryFn: async () => unwrap(await client.GET('/api/desk/people')),
});

export const groupsQuery = queryOptions({
  queryKey: ['groups'],
  queryFn: async () => unwrap(await client.GET('/api/groups')),
});

export const sweepQuery = (id: number) =>
  queryOptions({
    queryKey: ['group', id],
    queryFn: async () =>
      unwrap(await client.GET('/api/groups/{group_id}', { params: { path: { group_id: id } } })),
  });

/** Who watches whom in a class, and what they said today. */
export const roundQuery = (id: number) =>
  queryOptions({
    queryKey: ['group', id, 'round'],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/groups/{group_id}/round', { params: { path: { group_id: id } } }),
      ),
    staleTime: 0,
  });

export const checkChoiceQuery = (id: number) =>
  queryOptions({
    queryKey: ['group', id, 'checks'],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/groups/{group_id}/checks', { params: { path: { group_id: id } } }),
      ),
    staleTime: 0,
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

export const helpedQuery = queryOptions({
  queryKey: ['helped'],
  queryFn: async () => unwrap(await client.GET('/api/desk/helped')),
  staleTime: 0,
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

const ASK_AGAIN_AFTER = 3000;

/** A drawn hand; asked for until it comes, as nothing but a lost connection keeps it away. */
export const handQuery = (instrument: string, signs: string, view: 'main' | 'along' = 'main') =>
  queryOptions({
    queryKey: ['hand', instrument, signs, view],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/hands/one', {
          params: {
            query: { instrument: instrument as Schemas['Instrument'], signs, view, playing: null },
          },
        }),
      ),
    staleTime: Infinity,
    retry: (_failures, error) => !(error instanceof ApiError),
    retryDelay: ASK_AGAIN_AFTER,
  });

export const checkPairQuery = (
  evidence: string,
  instrument: string,
  finger: number | null,
  frames: number,
) =>
  queryOptions({
    queryKey: ['pair', 'check', evidence, instrument, finger, frames],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/hands/check', {
          params: {
            query: { evidence, instrument: instrument as Schemas['Instrument'], finger, frames },
          },
        }),
      ),
    staleTime: Infinity,
  });

export const exercisePairQuery = (
  exercise: string,
  instrument: string,
  finger: number | null,
  frames: number,
) =>
  queryOptions({
    queryKey: ['pair', 'exercise', exercise, instrument, finger, frames],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/hands/exercise', {
          params: {
            query: { exercise, instrument: instrument as Schemas['Instrument'], finger, frames },
          },
        }),
      ),
    staleTime: Infinity,
  });
