import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState, useSyncExternalStore } from 'react';

import { termQuery } from '../api/queries';

const NARROW = '(max-width: 700px)';
/** The picture of another span stays until the new one is there. */
const KEEP = { placeholderData: keepPreviousData };

export type TermHandle = ReturnType<typeof useTerm>;

/** What has changed of a player, over the span that is chosen. */
export function useTerm(playerId: number) {
  const [span, setSpan] = useState('term');
  const size = useNarrow() ? 'narrow' : 'page';
  const query = useQuery({ ...termQuery(playerId, span, size), ...KEEP });
  return { query, span, setSpan, isNarrow: size === 'narrow' };
}

function useNarrow(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const media = globalThis.matchMedia(NARROW);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => globalThis.matchMedia(NARROW).matches,
  );
}
