import { queryOptions } from '@tanstack/react-query';

import { ApiError, client, type Schemas, unwrap } from './client';

const ASK_AGAIN_AFTER = 3000;

type Thumb = Schemas['LessonOut']['thumb'];

interface Drawn {
  frames: number;
  /** Where the thumb stands; the usual place unless given. */
  thumb?: Thumb;
}

/** A drawn hand; asked for until it comes, as nothing but a lost connection keeps it away. */
export const handQuery = (
  instrument: string,
  signs: string,
  { view = 'main', thumb = '' }: { view?: 'main' | 'along'; thumb?: Thumb } = {},
) =>
  queryOptions({
    queryKey: ['hand', instrument, signs, view, thumb],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/hands/one', {
          params: {
            query: {
              instrument: instrument as Schemas['Instrument'],
              signs,
              view,
              playing: null,
              thumb,
            },
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
  { frames, thumb = '' }: Drawn,
) =>
  queryOptions({
    queryKey: ['pair', 'check', evidence, instrument, finger, frames, thumb],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/hands/check', {
          params: {
            query: {
              evidence,
              instrument: instrument as Schemas['Instrument'],
              finger,
              frames,
              thumb,
            },
          },
        }),
      ),
    staleTime: Infinity,
  });

export const exercisePairQuery = (
  exercise: string,
  instrument: string,
  finger: number | null,
  { frames, thumb = '' }: Drawn,
) =>
  queryOptions({
    queryKey: ['pair', 'exercise', exercise, instrument, finger, frames, thumb],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/hands/exercise', {
          params: {
            query: {
              exercise,
              instrument: instrument as Schemas['Instrument'],
              finger,
              frames,
              thumb,
            },
          },
        }),
      ),
    staleTime: Infinity,
  });
