import { useCallback, useEffect, useRef, useState } from 'react';

/** ms for which a check that has just appeared takes no grade: a double click or a bounced key
 * grades one check, not two. */
const BOUNCE = 400;

interface Guard {
  /** The check on screen has just come up. */
  isNew: boolean;
  /** True where a grade may be taken now. */
  mayGrade: () => boolean;
  /** The next check comes up. */
  moved: () => void;
  /** A check was chosen by hand: it takes its grade at once. */
  chosen: () => void;
}

export function useBounceGuard(): Guard {
  const until = useRef(0);
  const [news, setNews] = useState(0);
  useEffect(() => {
    if (news === 0) return undefined;
    const timer = setTimeout(() => setNews(0), BOUNCE);
    return () => clearTimeout(timer);
  }, [news]);
  const mayGrade = useCallback(() => performance.now() >= until.current, []);
  const moved = useCallback(() => {
    until.current = performance.now() + BOUNCE;
    setNews((count) => count + 1);
  }, []);
  const chosen = useCallback(() => {
    until.current = 0;
  }, []);
  return { isNew: news > 0, mayGrade, moved, chosen };
}
