import { queryOptions } from '@tanstack/react-query';

import { client, unwrap } from './client';

export const deskQuery = queryOptions({
  queryKey: ['desk'],
  queryFn: async () => unwrap(await client.GET('/api/desk')),
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

export const helpedQuery = queryOptions({
  queryKey: ['helped'],
  queryFn: async () => unwrap(await client.GET('/api/desk/helped')),
  staleTime: 0,
});
