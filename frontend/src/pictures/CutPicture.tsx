import 'react-image-crop/dist/ReactCrop.css';

import { Button, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { type PercentCrop, ReactCrop } from 'react-image-crop';

import { client, unwrap } from '../api/client';
import { formBody } from '../api/form';
import { keptQuery, picturesQuery } from '../api/queries';
import { AskLeave, needsLeave } from '../components/AskLeave';
import css from './Measuring.module.css';
import type { SetPoint } from './PointPad';
import { blobOf, cutAround, type Cut, inCut } from './cut';
import { isOfAFinger } from './pointPlan';
import type { Picture } from './readPicture';
import type { Asked } from './tell';
import * as say from '../messages/compiled/pictures';
import { Rich } from '../messages/Rich';
import { beside } from '../words/lists';

const WORDS = [say.down(), say.up(), say.before(), say.after()];

interface Props {
  playerId: number;
  asked: Asked;
  picture: Picture;
  points: SetPoint[];
  onKept: () => void;
  onBack: () => void;
}

/** Cuts the picture to the hand and keeps the cut, when the teacher says that it shows no more. */
export function CutPicture({ playerId, asked, picture, points, onKept, onBack }: Props) {
  const [cut, setCut] = useState<Cut>(() => cutAround(points, picture));
  const [words, setWords] = useState('');
  const shown = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    shown.current?.getContext('2d')?.drawImage(picture.image, 0, 0);
  }, [picture]);
  const cache = useQueryClient();
  const keep = useMutation({
    mutationFn: async () => {
      const { blob, scale } = await blobOf(picture, cut);
      return unwrap(
        await client.POST('/api/players/{player_id}/pictures', {
          params: { path: { player_id: playerId } },
          ...formBody({
            file: blob,
            measure: asked.kind,
            ...(isOfAFinger(asked.kind) && { finger: String(asked.finger) }),
            points: JSON.stringify(inCut(points, cut, scale)),
            words,
          }),
        }),
      );
    },
    onSuccess: (pictures) => {
      cache.setQueryData(picturesQuery(playerId).queryKey, pictures);
      void cache.invalidateQueries(keptQuery(playerId));
      onKept();
    },
  });
  const change = (_: unknown, part: PercentCrop) =>
    setCut({
      x: (part.x / 100) * picture.width,
      y: (part.y / 100) * picture.height,
      width: (part.width / 100) * picture.width,
      height: (part.height / 100) * picture.height,
    });
  return (
    <div className={css.measuring}>
      <p className={css.next}>
        <Rich says={say.cutItToTheHand()} />
      </p>
      <ReactCrop crop={percentOf(cut, picture)} onChange={change} minWidth={44} minHeight={44}>
        <canvas ref={shown} className={css.cutting} width={picture.width} height={picture.height} />
      </ReactCrop>
      <TextInput
        label={say.aWordForItIf()}
        placeholder={beside(WORDS)}
        maxLength={120}
        value={words}
        onChange={(event) => setWords(event.currentTarget.value)}
      />
      {needsLeave(keep.error) ? (
        <AskLeave playerId={playerId} kind="picture" onGiven={() => keep.mutate()} />
      ) : (
        keep.error && <p role="alert">{keep.error.message}</p>
      )}
      <div className={css.actions}>
        <Button variant="default" onClick={onBack}>
          {say.back()}
        </Button>
        <Button
          loading={keep.isPending}
          disabled={cut.width < 1 || cut.height < 1}
          onClick={() => keep.mutate()}
        >
          {say.onlyTheHandIsIn()}
        </Button>
      </div>
      <p className="quiet">{say.keptWithThisPlayerSeen()}</p>
    </div>
  );
}

function percentOf(cut: Cut, picture: Picture): PercentCrop {
  return {
    unit: '%',
    x: (cut.x / picture.width) * 100,
    y: (cut.y / picture.height) * 100,
    width: (cut.width / picture.width) * 100,
    height: (cut.height / picture.height) * 100,
  };
}
