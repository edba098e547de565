import type { Schemas } from '../api/client';
import { HandPaths } from '../drawings/HandPaths';
import type { Ring } from '../drawings/lens';
import css from './Lens.module.css';

interface Props {
  /** Absent while it is on its way: the ring keeps its place. */
  frame: Schemas['FrameOut'] | undefined;
  ring: Ring;
}

/** A picture through a ring, cut close around what it is about; words beside it say what it shows. */
export function Lens({ frame, ring: { x, y, radius } }: Props) {
  return (
    <span className={css.lens}>
      {frame && (
        <svg viewBox={`${x - radius} ${y - radius} ${2 * radius} ${2 * radius}`} aria-hidden="true">
          <HandPaths hand={frame} />
        </svg>
      )}
    </span>
  );
}
