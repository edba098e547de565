import { keepPreviousData, useQuery } from '@tanstack/react-query';

import { handQuery } from '../api/handQueries';
import { useThumbPlace } from './thumbPlace';

/** While another hand is on its way, the one before stays. */
const KEEP = { placeholderData: keepPreviousData };

/** The hand in the posture of these signs, and along its neck; the second view comes second, so that
 * the large drawing does not wait for its share of the computer. */
export function useSeenHand(instrument: string, signs: string) {
  const thumb = useThumbPlace();
  const hand = useQuery({ ...handQuery(instrument, signs, { thumb }), ...KEEP });
  const isDrawn = hand.isSuccess && !hand.isPlaceholderData;
  const along = useQuery({
    ...handQuery(instrument, signs, { view: 'along', thumb }),
    ...KEEP,
    enabled: isDrawn,
  });
  return { hand, along };
}
