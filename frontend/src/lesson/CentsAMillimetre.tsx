import { useQuery } from '@tanstack/react-query';

import { reachQuery } from '../api/queries';
import * as say from '../messages/compiled/lesson';

/** How much a millimetre makes where the fourth finger stands; nothing while no fit is known. */
export function CentsAMillimetre({ playerId }: { playerId: number }) {
  const cents = useQuery(reachQuery(playerId)).data?.cents_per_mm?.['4'];
  if (cents === undefined) return null;
  return <p className="quiet">{say.oneMillimetreIsCentsThere({ cents })}</p>;
}
