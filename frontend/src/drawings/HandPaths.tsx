import { memo } from 'react';

import type { Schemas } from '../api/client';
import css from './hand.module.css';

/** The paths of a drawn hand, for use inside an SVG of its size. */
export const HandPaths = memo(function HandPaths({ hand }: { hand: Schemas['FrameOut'] }) {
  return (
    <>
      {hand.paths.map((path, index) => (
        <path
          key={index}
          className={css[path.kind]}
          d={path.d}
          strokeWidth={path.width ?? undefined}
        />
      ))}
    </>
  );
});
