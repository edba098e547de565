import type { Schemas } from '../api/client';
import css from './PointPad.module.css';

/** The drawn hand's lines, laid over a picture of this size. */
export function Over({
  over,
  width,
  height,
}: {
  over: Schemas['OverOut'];
  width: number;
  height: number;
}) {
  return (
    <svg className={css.over} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
      <g transform={`matrix(${over.matrix.join(' ')})`}>
        {over.paths.map((path) => (
          <path key={path.d} d={path.d} vectorEffect="non-scaling-stroke" />
        ))}
      </g>
    </svg>
  );
}
