import { lazy, Suspense } from 'react';

const Pieces = lazy(async () => ({ default: (await import('./Pieces')).Pieces }));

export function LazyPieces({ playerId }: { playerId: number }) {
  return (
    <Suspense fallback={null}>
      <Pieces playerId={playerId} />
    </Suspense>
  );
}
