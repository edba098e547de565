import css from './GradeMarks.module.css';

const LINES = [0, 1, 2];

/** A grade as three strings: as many thick ones as the grade; dashes when it was not checked. */
export function GradeMarks({ grade, size = 24 }: { grade: number | null; size?: number }) {
  return (
    <svg className={css.marks} width={size} height={size} viewBox="0 0 24 24" aria-hidden="true">
      <Strings grade={grade} />
    </svg>
  );
}

/** The strings alone, for use inside another drawing; 24 units square. */
export function Strings({ grade }: { grade: number | null }) {
  return (
    <>
      {LINES.map((line) => (
        <path
          key={line}
          d={`M3 ${18 - line * 6} H21`}
          className={grade === null ? css.open : line < grade ? css.thick : css.hair}
        />
      ))}
    </>
  );
}
