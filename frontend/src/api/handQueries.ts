import { queryOptions } from '@tanstack/react-query';

import { ApiError, client, type Schemas, unwrap } from './client';

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
