import * as say from '../messages/compiled/pictures';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { client, unwrap } from '../api/client';
import { late } from '../components/late';
import { Rich } from '../messages/Rich';
import { sentences } from '../words/lists';
import { ChoosePicture } from './ChoosePicture';
import css from './Measuring.module.css';
import { Actions } from './MeasuringActions';
import { Over } from './Over';
import { PointPad, type SetPoint } from './PointPad';
import { ownError, signed, unitOf, wantedPoints } from './pointPlan';
import type { Picture } from './readPicture';
import { type Asked, pointsBody, tell, type Told } from './tell';

const CutPicture = late(async () => (await import('./CutPicture')).CutPicture);
const TwoPictures = late(async () => (await import('./TwoPictures')).TwoPictures);

interface Props {
  playerId: number;
  asked: Asked;
  /** -1 where what the picture counts as positive counts as negative here. */
  way?: 1 | -1;
  /** Takes the number over; without it the number is only said. */
  onValue?: ((value: number) => void) | undefined;
  onDone: () => void;
}

/** A picture is chosen, points are set on it, and what they tell is said, taken over or kept. */
export function Measuring({ playerId, asked, way = 1, onValue, onDone }: Props) {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [points, setPoints] = useState<SetPoint[]>([]);
  const [first, setFirst] = useState<Told | null>(null);
  const [isOver, setIsOver] = useState(false);
  const [cutting, setCutting] = useState(false);
  const [isKept, setIsKept] = useState(false);
  const [isTwo, setIsTwo] = useState(asked.kind === 'shape');
  const wanted = wantedPoints(asked.kind, asked.finger);
  const next = wanted[points.length] ?? null;
  const read = useMutation({
    mutationFn: async ([image, set]: [Picture, SetPoint[]]) => tell(asked, image, set),
  });
  const over = useOver(asked, picture, points, isOver && next === null);
  if (isTwo) {
    const set = picture ? { picture, points } : undefined;
    return <TwoPictures asked={asked} first={set} onDone={onDone} />;
  }
  if (!picture)
    return <ChoosePicture kind={asked.kind} finger={asked.finger} onPicture={setPicture} />;
  const truth = picture.truth?.[asked.kind];
  const change = (set: SetPoint[]) => {
    setPoints(set);
    setIsKept(false);
    read.reset();
    if (set.length === wanted.length) read.mutate([picture, set]);
  };
  const found = read.data ?? null;
  const value = found && way * (first ? (first.value + found.value) / 2 : found.value);
  if (cutting) {
    return (
      <CutPicture
        playerId={playerId}
        asked={asked}
        picture={picture}
        points={points}
        onKept={() => {
          setCutting(false);
          setIsKept(true);
        }}
        onBack={() => setCutting(false)}
      />
    );
  }
  return (
    <div className={css.measuring}>
      <p className={css.next} role="status">
        {next ? (
          <>
            <Rich
              says={say.setOf({
                words: next.words,
                count: points.length + 1,
                count2: wanted.length,
              })}
            />
          </>
        ) : (
          wordsOf(read, found, first, unitOf(asked.kind))
        )}
        {found && truth !== undefined && ` ${say.itWasDrawnWith({ truth: signed(truth) })}`}
        {isKept && ` ${say.thePictureIsKept()}`}
      </p>
      <PointPad
        picture={picture}
        points={points}
        wanted={next?.words ?? null}
        onSet={(x, y) => next && change([...points, { name: next.name, x, y }])}
        onUndo={() => change(points.slice(0, -1))}
      >
        {over && <Over over={over} width={picture.width} height={picture.height} />}
      </PointPad>
      <Actions
        {...{ asked, points, found, first, truth, value, isOver, isKept }}
        onUndo={() => change(points.slice(0, -1))}
        onOver={() => setIsOver(!isOver)}
        onOnceMore={() => {
          setFirst(found);
          change([]);
        }}
        onCut={() => setCutting(true)}
        onSecond={() => setIsTwo(true)}
        onValue={onValue}
        onDone={onDone}
      />
    </div>
  );
}

export interface ActionsProps extends Pick<Props, 'asked' | 'onValue' | 'onDone'> {
  points: SetPoint[];
  found: Told | null;
  first: Told | null;
  /** With what the picture was drawn, of one that was made up. */
  truth: number | undefined;
  value: number | null;
  isOver: boolean;
  isKept: boolean;
  onUndo: () => void;
  onOver: () => void;
  onOnceMore: () => void;
  onCut: () => void;
  /** Another picture is laid beside this one. */
  onSecond: () => void;
}

function useOver(asked: Asked, picture: Picture | null, points: SetPoint[], isWanted: boolean) {
  const over = useQuery({
    queryKey: ['over', asked, picture?.width, picture?.height, points],
    enabled: isWanted && picture !== null,
    queryFn: async () =>
      unwrap(
        await client.POST('/api/hands/over', {
          body: {
            ...pointsBody(asked.instrument, picture ?? { width: 1, height: 1 }, points),
            finger: asked.finger,
          },
        }),
      ),
  });
  return isWanted ? (over.data ?? null) : null;
}

function wordsOf(
  { error, isPending }: { error: Error | null; isPending: boolean },
  now: Told | null,
  before: Told | null,
  unit: string,
) {
  if (error) return error.message;
  if (isPending) return say.oneMoment();
  if (!now) return say.thesePointsDoNotTell();
  const one = say.giveOrTakeForA({ signed: signed(now.value), unit, uncertainty: now.uncertainty });
  const off = now.may_be_off > 0 ? say.theFingerPointsAtThe({ mayBeOff: now.may_be_off }) : '';
  if (!before) return sentences([one, off]);
  const own = Math.round(ownError(before.value, now.value) * 10) / 10;
  const two = say.firstNowYourOwnError({
    first: signed(before.value),
    now: signed(now.value),
    unit,
    own,
  });
  return sentences([two, off]);
}
