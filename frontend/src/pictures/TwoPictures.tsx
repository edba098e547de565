import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';

import { client, unwrap } from '../api/client';
import { Rich } from '../messages/Rich';
import * as say from '../messages/compiled/pictures';
import { ChoosePicture } from './ChoosePicture';
import css from './Measuring.module.css';
import { PointPad, type SetPoint } from './PointPad';
import { wantedPoints } from './pointPlan';
import type { Picture } from './readPicture';
import { type Asked, pointsBody } from './tell';

export interface Pointed {
  picture: Picture;
  points: SetPoint[];
}

interface Props {
  asked: Asked;
  /** The first picture, where its points are set already. */
  first?: Pointed | undefined;
  onDone: () => void;
}

/** Two pictures of one hand, the same points set on both: laid alike, with what moved in between. */
export function TwoPictures({ asked, first, onDone }: Props) {
  const [before, setBefore] = useState<Pointed | null>(first ?? null);
  const [after, setAfter] = useState<Pointed | null>(null);
  if (before && after) return <Pair asked={asked} before={before} after={after} onDone={onDone} />;
  return (
    <OnePicture
      key={before ? 'after' : 'before'}
      asked={asked}
      which={before ? say.nowTheSecondPicture() : say.theFirstPicture()}
      onSet={before ? setAfter : setBefore}
    />
  );
}

interface OneProps {
  asked: Asked;
  which: string;
  onSet: (set: Pointed) => void;
}

function OnePicture({ asked, which, onSet }: OneProps) {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [points, setPoints] = useState<SetPoint[]>([]);
  const wanted = wantedPoints(asked.kind, asked.finger);
  const next = wanted[points.length];
  if (!picture) {
    return (
      <>
        <strong>{which}</strong>
        <ChoosePicture kind={asked.kind} finger={asked.finger} onPicture={setPicture} />
      </>
    );
  }
  const set = (x: number, y: number) => {
    if (!next) return;
    const all = [...points, { name: next.name, x, y }];
    setPoints(all);
    if (all.length === wanted.length) onSet({ picture, points: all });
  };
  return (
    <div className={css.measuring}>
      <p className={css.next} role="status">
        {which}{' '}
        {next && (
          <Rich
            says={say.setOf({
              words: next.words,
              count: points.length + 1,
              count2: wanted.length,
            })}
          />
        )}
      </p>
      <PointPad
        picture={picture}
        points={points}
        wanted={next?.words ?? null}
        onSet={set}
        onUndo={() => setPoints(points.slice(0, -1))}
      />
      <div className={css.actions}>
        <Button
          variant="default"
          disabled={points.length === 0}
          onClick={() => setPoints(points.slice(0, -1))}
        >
          {say.takeBack()}
        </Button>
      </div>
    </div>
  );
}

interface PairProps {
  asked: Asked;
  before: Pointed;
  after: Pointed;
  onDone: () => void;
}

function Pair({ asked, before, after, onDone }: PairProps) {
  const body = ({ picture, points }: Pointed) => pointsBody(asked.instrument, picture, points);
  const moved = useQuery({
    queryKey: ['moved', before.points, after.points],
    queryFn: async () =>
      unwrap(
        await client.POST('/api/hands/moved', {
          body: { before: body(before), after: body(after) },
        }),
      ),
  });
  return (
    <div className={css.measuring}>
      <div role="status" className={css.next}>
        {moved.error && <p>{moved.error.message}</p>}
        {moved.isPending && <p>{say.oneMoment()}</p>}
        {moved.data?.says.map((each) => (
          <p key={each}>{each}</p>
        ))}
      </div>
      <div className={css.pair}>
        <Laid
          which={say.theFirstAlone()}
          shown={before}
          frame={before}
          matrix={[1, 0, 0, 1, 0, 0]}
        />
        <Laid
          which={say.theSecondAlone()}
          shown={after}
          frame={before}
          matrix={moved.data?.matrix ?? null}
        />
      </div>
      <div className={css.actions}>
        <Button onClick={onDone}>{say.done()}</Button>
      </div>
    </div>
  );
}

// Seen on any picture, as the points are that one sets.
const INSIDE = '#fff';
const RIM = '#000';

interface LaidProps {
  which: string;
  shown: Pointed;
  /** Whose size it is drawn in. */
  frame: Pointed;
  matrix: number[] | null;
}

/** A picture in the frame of the first, turned and scaled so that its hand lies as the first. */
function Laid({ which, shown, frame, matrix }: LaidProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { picture, points } = shown;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const { width, height } = frame.picture;
    context.resetTransform();
    context.clearRect(0, 0, width, height);
    const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = matrix ?? [];
    context.setTransform(a, b, c, d, e, f);
    context.drawImage(picture.image, 0, 0);
    const radius = Math.max(width, height) / 150 / Math.hypot(a, b);
    for (const { x, y } of points) {
      context.beginPath();
      context.arc(x, y, radius, 0, 2 * Math.PI);
      context.fillStyle = INSIDE;
      context.strokeStyle = RIM;
      context.lineWidth = radius / 2;
      context.fill();
      context.stroke();
    }
  }, [picture, points, frame, matrix]);
  return (
    <figure>
      <canvas
        ref={canvas}
        width={frame.picture.width}
        height={frame.picture.height}
        role="img"
        aria-label={which}
      />
      <figcaption>{which}</figcaption>
    </figure>
  );
}
