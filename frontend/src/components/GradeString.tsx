import css from './GradeString.module.css';
import string from './string.module.css';

/** Where the beads of each grade hang, as shares of the string. */
const BEADS = [[], [0.5], [0.33, 0.67], [0.22, 0.5, 0.78]];

interface Size {
  width?: number;
  height?: number;
  bead?: number;
}

/** A grade as beads on a string between nut and bridge: as many as the grade; dashed when it was
 * not checked. */
export function GradeString({ grade, width = 76, height = 26, bead = 6.5 }: Size & Graded) {
  return (
    <svg
      className={css.string}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      aria-hidden="true"
    >
      <GradePaths grade={grade} width={width} height={height} bead={bead} />
    </svg>
  );
}

interface Graded {
  grade: number | null;
}

/** The string alone, for use inside another drawing. */
export function GradePaths({ grade, width = 76, height = 26, bead = 6.5 }: Size & Graded) {
  const middle = height / 2;
  const end = height * 0.36;
  return (
    <>
      <path
        className={grade === null ? string.open : string.line}
        d={`M2 ${middle}H${width - 2}`}
      />
      {grade !== null && (
        <path
          className={string.line}
          d={`M2 ${middle - end}V${middle + end}M${width - 2} ${middle - end}V${middle + end}`}
        />
      )}
      {(BEADS[grade ?? 0] ?? []).map((share) => (
        <circle
          key={share}
          className={css.bead}
          cx={2 + share * (width - 4)}
          cy={middle}
          r={bead}
        />
      ))}
    </>
  );
}
