/** Signs of our own on buttons, in the line of the drawings. */
const LINES = {
  up: 'M12 19V5.5 M6 11l6-6 6 6',
  down: 'M12 5v13.5 M6 13l6 6 6-6',
  less: 'M5.5 12h13',
  more: 'M5.5 12h13 M12 5.5v13',
  sun: 'M12 8a4 4 0 1 0 0 8 4 4 0 0 0 0-8z M12 2.5v2 M12 19.5v2 M2.5 12h2 M19.5 12h2 M5.3 5.3l1.4 1.4 M17.3 17.3l1.4 1.4 M5.3 18.7l1.4-1.4 M17.3 6.7l1.4-1.4',
  moon: 'M19.5 14.2A8 8 0 0 1 9.8 4.5a8 8 0 1 0 9.7 9.7z',
} as const;

/** `size`: in px; the words stand on the button itself. */
export function Sign({ name, size = 20 }: { name: keyof typeof LINES; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      fill="none"
      stroke="currentColor"
      strokeWidth={1.75}
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden="true"
    >
      <path d={LINES[name]} />
    </svg>
  );
}
