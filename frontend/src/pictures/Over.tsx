import type { Schemas } from '../api/client';
import css from './Over.module.css';

type OverOut = Schemas['OverOut'];

/** The drawn hand's lines, laid over a picture of this size. */
export function Over({ over, width, height }: { over: OverOut; width: number; height: number }) {
  return (
    <svg className={css.over} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
      <OverLines over={over} />
    </svg>
  );
}

/** The same inside a drawing whose units are the picture's pixels. */
export function OverLines({ over }: { over: OverOut }) {
  return (
    <g className={css.lines} transform={`matrix(${over.matrix.join(' ')})`}>
      {over.paths.map((path) => (
        <path key={path.d} d={path.d} vectorEffect="non-scaling-stroke" />
      ))}
    </g>
  );
}
