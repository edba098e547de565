// What was seen, as a hand is asked for it: `evidence:grade:finger,...`.

type Seen = Record<string, { grade: number; by_finger: Record<string, number> }>;

/** The signs of a lesson that are there, in one order. */
export function signsOf(findings: Seen): string {
  return Object.entries(findings)
    .flatMap(([evidence, { grade, by_finger }]) => {
      const fingers = Object.entries(by_finger).filter(([, each]) => each > 0);
      if (fingers.length > 0)
        return fingers.map(([finger, each]) => `${evidence}:${each}:${finger}`);
      return grade > 0 ? [`${evidence}:${grade}`] : [];
    })
    .sort()
    .join(',');
}
