import { useIsFetching, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

import type { Evidence, Schemas } from '../api/client';
import { checkPairQuery } from '../api/handQueries';
import { useThumbPlace } from './thumbPlace';

const GRADES = 4;

type Thumb = ReturnType<typeof useThumbPlace>;

function picturesOf(item: Evidence, instrument: string, thumb: Thumb) {
  return checkPairQuery(item.id, instrument, item.of_finger, { frames: GRADES, thumb });
}

/** The hand at each grade of a check; drawn after the large hand that was graded just before. */
export function useGradedHands(
  item: Evidence | undefined,
  instrument: string,
  finger: number | null,
): Schemas['TwoHandsOut'] | null {
  const isDrawing = useIsFetching({ queryKey: ['hand'] }) > 0;
  const thumb = useThumbPlace();
  const pictured = item?.pictured.includes(instrument) ?? false;
  const hands = useQuery({
    ...checkPairQuery(item?.id ?? '', instrument, finger ?? item?.of_finger ?? null, {
      frames: GRADES,
      thumb,
    }),
    enabled: pictured && !isDrawing,
  });
  return pictured ? (hands.data ?? null) : null;
}

/** Draws the pictures of these checks ahead, one after the other, so that they come with the words. */
export function usePicturesAhead(items: Evidence[], instrument: string) {
  const cache = useQueryClient();
  const thumb = useThumbPlace();
  const names = items.map((item) => item.id).join();
  useEffect(() => {
    let isOver = false;
    async function draw() {
      for (const item of items) {
        if (isOver) return;
        if (!item.pictured.includes(instrument)) continue;
        await cache.query(picturesOf(item, instrument, thumb)).catch(() => undefined);
      }
    }
    void draw();
    return () => {
      isOver = true;
    };
    // The names stand for the checks.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [cache, names, instrument, thumb]);
}
