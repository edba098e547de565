import { useIsFetching, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

import type { Evidence, Schemas } from '../api/client';
import { checkPairQuery } from '../api/handQueries';

const GRADES = 4;

function picturesOf(item: Evidence, instrument: string, finger: number | null) {
  return checkPairQuery(item.id, instrument, finger ?? item.of_finger, GRADES);
}

/** The hand at each grade of a check; drawn after the large hand that was graded just before. */
export function useGradedHands(
  item: Evidence | undefined,
  instrument: string,
  finger: number | null,
): Schemas['TwoHandsOut'] | null {
  const isDrawing = useIsFetching({ queryKey: ['hand'] }) > 0;
  const pictured = item?.pictured.includes(instrument) ?? false;
  const hands = useQuery({
    ...checkPairQuery(item?.id ?? '', instrument, finger ?? item?.of_finger ?? null, GRADES),
    enabled: pictured && !isDrawing,
  });
  return pictured ? (hands.data ?? null) : null;
}

/** Draws the pictures of these checks ahead, one after the other, so that they come with the words. */
export function usePicturesAhead(items: Evidence[], instrument: string) {
  const cache = useQueryClient();
  const names = items.map((item) => item.id).join();
  useEffect(() => {
    let isOver = false;
    async function draw() {
      for (const item of items) {
        if (isOver) return;
        if (!item.pictured.includes(instrument)) continue;
        await cache.query(picturesOf(item, instrument, null)).catch(() => undefined);
      }
    }
    void draw();
    return () => {
      isOver = true;
    };
    // The names stand for the checks.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [cache, names, instrument]);
}
