import { queryOptions } from '@tanstack/react-query';

import { client, unwrap } from './client';

export const classSheetsQuery = (id: number) =>
  queryOptions({
    queryKey: ['group', id, 'sheets'],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/groups/{group_id}/sheets', { params: { path: { group_id: id } } }),
      ),
    staleTime: 0,
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
