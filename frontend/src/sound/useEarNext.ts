import { useEffect, useRef } from 'react';

/** What the ear would do next, for the one place of the next action; and what it has heard. */
export interface EarNext {
  words: string;
  /** Null while there is nothing to press: it counts, it measures. */
  act: (() => void) | null;
  heard: { finger: number | null; grade: number }[];
}

/** Tells it to whoever holds that place, again only when it has changed. */
export function useEarNext(next: EarNext, onNext: (next: EarNext | null) => void): void {
  const latest = useRef({ next, onNext });
  useEffect(() => {
    latest.current = { next, onNext };
  });
  const key = JSON.stringify([next.words, next.act === null, next.heard]);
  useEffect(() => {
    const { words, act, heard } = latest.current.next;
    const run = act === null ? null : () => latest.current.next.act?.();
    latest.current.onNext({ words, act: run, heard });
  }, [key]);
  useEffect(() => () => latest.current.onNext(null), []);
}
