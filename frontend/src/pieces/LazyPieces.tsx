import { lazy, Suspense } from 'react';

import type { PiecesProps } from './Pieces';

const Pieces = lazy(async () => ({ default: (await import('./Pieces')).Pieces }));

export function LazyPieces(props: PiecesProps) {
  return (
    <Suspense fallback={null}>
      <Pieces {...props} />
    </Suspense>
  );
}
