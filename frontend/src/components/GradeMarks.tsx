import css from './GradeMarks.module.css';

/** Where the beads of each grade hang. */
const BEADS = [[], [12], [8, 16], [5.5, 12, 18.5]];

/** A grade as beads on a string between nut and bridge: as many as the grade, none when it is not
 * there; a dashed string when it was not checked. */
export function GradeMarks({ grade, size = 24 }: { grade: number | null; size?: number }) {
  return (
    <svg className={css.marks} width={size} height={size} viewBox="0 0 24 24" aria-hidden="true">
      <Beads grade={grade} />
    </svg>
  );
}

/** The beads alone, for use inside another drawing; 24 units square. */
function Beads({ grade }: { grade: number | null }) {
  return (
    <>
      <path d="M1.5 12 H22.5" className={grade === null ? css.open : css.string} />
      {grade !== null && <path d="M1.5 7.5 V16.5 M22.5 7.5 V16.5" className={css.string} />}
      {(BEADS[grade ?? 0] ?? []).map((x) => (
        <circle key={x} cx={x} cy={12} r={3} className={css.bead} />
      ))}
    </>
  );
}
