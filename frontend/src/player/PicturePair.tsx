import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { client, type Schemas, unwrap } from '../api/client';
import { pointsBody } from '../pictures/tell';
import { OverLines } from '../pictures/Over';
import { shortDate } from '../words/words';
import css from './Pictures.module.css';
import { addressOf, difference, told } from './pictureWords';
import * as say from '../messages/compiled/player';
import { sentences } from '../words/lists';

type Kept = Schemas['PictureOut'];

interface Props {
  player: { id: number; instrument: string };
  still: Kept;
  moved: Kept;
}

const AS_IT_IS = [1, 0, 0, 1, 0, 0];

/** Two pictures in the same cut, the second turned and scaled so that its hand lies as the first. */
export function PicturePair({ player, still, moved }: Props) {
  const [isOver, setIsOver] = useState(false);
  const laid = useQuery({
    queryKey: ['alike', still.name, moved.name],
    queryFn: async () =>
      unwrap(
        await client.POST('/api/hands/alike', {
          body: { still: body(player.instrument, still), moved: body(player.instrument, moved) },
        }),
      ),
  });
  const fitted = fitting(moved, still);
  return (
    <div>
      <div className={css.pair}>
        <One player={player} picture={still} frame={still} matrix={AS_IT_IS} isOver={isOver} />
        <One
          player={player}
          picture={moved}
          frame={still}
          matrix={laid.data?.matrix ?? fitted}
          isOver={isOver}
        />
      </div>
      <p role="status">
        {sentences([
          difference(still, moved),
          laid.data?.mirrored && say.theSecondWasTakenFrom(),
          laid.data === null && say.theyShareNoTwoPoints(),
        ])}
      </p>
      <Button variant="default" aria-pressed={isOver} onClick={() => setIsOver(!isOver)}>
        {isOver ? say.withoutTheDrawnHand() : say.layTheDrawnHandOver()}
      </Button>
    </div>
  );
}

interface OneProps {
  player: Props['player'];
  picture: Kept;
  frame: Kept;
  matrix: number[];
  isOver: boolean;
}

function One({ player, picture, frame, matrix, isOver }: OneProps) {
  const over = useQuery({
    queryKey: ['over', picture.name],
    enabled: isOver && picture.finger !== null,
    queryFn: async () =>
      unwrap(
        await client.POST('/api/hands/over', {
          body: { ...body(player.instrument, picture), finger: picture.finger ?? 4 },
        }),
      ),
  });
  return (
    <figure>
      <svg
        viewBox={`0 0 ${frame.width} ${frame.height}`}
        style={{ aspectRatio: `${frame.width} / ${frame.height}` }}
        role="img"
        aria-label={say.handOn({ date: shortDate(picture.date), picture: told(picture) })}
      >
        <g transform={`matrix(${matrix.join(' ')})`}>
          <image
            href={addressOf(player.id, picture)}
            width={picture.width}
            height={picture.height}
          />
          {isOver && over.data && <OverLines over={over.data} />}
        </g>
      </svg>
      <figcaption>
        <strong>
          {shortDate(picture.date)}
          {picture.words && `, ${picture.words}`}
        </strong>
        <br />
        {told(picture)}
      </figcaption>
    </figure>
  );
}

function body(instrument: string, picture: Kept): Schemas['PointsIn'] {
  const points = Object.entries(picture.points).map(([name, [x = 0, y = 0]]) => ({ name, x, y }));
  return pointsBody(instrument, picture, points);
}

/** Whole in the middle of the frame, for two that have too few points in common. */
function fitting(picture: Kept, frame: Kept): number[] {
  const scale = Math.min(frame.width / picture.width, frame.height / picture.height);
  const x = (frame.width - scale * picture.width) / 2;
  const y = (frame.height - scale * picture.height) / 2;
  return [scale, 0, 0, scale, x, y];
}
