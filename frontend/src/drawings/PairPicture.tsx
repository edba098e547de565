import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { checkPairQuery, exercisePairQuery } from '../api/handQueries';
import { useThumbPlace } from './thumbPlace';
import { TwoHands } from './TwoHands';

/** Pictures of a pair, and with those of the way between. */
export const ENDS = 2;
const FRAMES = 5;

interface Props {
  instrument: string;
  /** For signs that can be on any finger. */
  finger?: number | null;
  /** Width of each of the two pictures. */
  width?: string;
}

/** A check's sign: not there beside strong. Nothing for what the hand cannot show. */
export function CheckPair({ evidence, ...rest }: Props & { evidence: string }) {
  return <Pair {...rest} query={checkPairQuery} of={evidence} />;
}

/** An exercise right beside wrong, or where its movement begins and ends. */
export function ExercisePair({ exercise, ...rest }: Props & { exercise: string }) {
  return <Pair {...rest} query={exercisePairQuery} of={exercise} />;
}

function Pair({
  query,
  of,
  instrument,
  finger = null,
  width,
}: Props & { query: typeof checkPairQuery; of: string }) {
  const [moving, setMoving] = useState(false);
  const thumb = useThumbPlace();
  const ends = useQuery(query(of, instrument, finger, { frames: ENDS, thumb })).data;
  const between = query(of, instrument, finger, { frames: FRAMES, thumb });
  const all = useQuery({ ...between, enabled: moving }).data;
  if (!ends) return null;
  return <TwoHands pair={ends} between={all?.frames ?? null} onMove={setMoving} width={width} />;
}
