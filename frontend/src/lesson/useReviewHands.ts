import { useQuery } from '@tanstack/react-query';

import type { Schemas } from '../api/client';
import { exercisePairQuery } from '../api/handQueries';
import { useThumbPlace } from '../drawings/thumbPlace';

const ENDS = 2;

/** An exercise as it should be and as it should not; null where it has no picture. */
export function useReviewHands(
  exercise: string | undefined,
  instrument: string,
): Schemas['TwoHandsOut'] | null {
  const thumb = useThumbPlace();
  const hands = useQuery({
    ...exercisePairQuery(exercise ?? '', instrument, null, { frames: ENDS, thumb }),
    enabled: exercise !== undefined,
  });
  return hands.data && !hands.data.moves ? hands.data : null;
}
