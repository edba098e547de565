/** The mark of the studio: a fingertip on its string. */
export function Mark({ size }: { size: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true">
      <path d="M10.5 4h11v8.5a5.5 7 0 0 1-11 0z" fill="var(--accent)" />
      <path
        d="M2.5 17.5c6 0 9 7 13.5 7s7.5-7 13.5-7"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2.6"
        strokeLinecap="round"
      />
    </svg>
  );
}
