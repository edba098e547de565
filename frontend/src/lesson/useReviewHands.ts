import { useQuery } from '@tanstack/react-query';

import type { Schemas } from '../api/client';
import { exercisePairQuery } from '../api/handQueries';

const ENDS = 2;

/** An exercise as it should be and as it should not; null where it has no picture. */
export function useReviewHands(
  exercise: string | undefined,
  instrument: string,
): Schemas['TwoHandsOut'] | null {
  const hands = useQuery({
    ...exercisePairQuery(exercise ?? '', instrument, null, ENDS),
    enabled: exercise !== undefined,
  });
  return hands.data && !hands.data.moves ? hands.data : null;
}
