import { MutationCache, QueryCache, QueryClient } from '@tanstack/react-query';

import { ApiError } from './client';

const SIGNED_OUT = 401;

/** An answer of 401 says that nobody is signed in any more; the page stays and asks for it. */
function noteSignedOut(error: unknown): void {
  if (!(error instanceof ApiError) || error.status !== SIGNED_OUT) return;
  queryClient.setQueryData(['session'], { teacher: null });
}

export const queryClient: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError: noteSignedOut }),
  mutationCache: new MutationCache({ onError: noteSignedOut }),
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      retry: (failures, error) => !(error instanceof ApiError) && failures < 2,
    },
  },
});
