import { Button } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';

import { TakeFile } from '../components/TakeFile';
import css from './Measuring.module.css';
import type { Kind } from './pointPlan';
import { drawnPicture, type Picture, readPicture } from './readPicture';
import * as say from '../messages/compiled/pictures';

const FROM: Partial<Record<Kind, string>> = {
  elbow_offset: say.takeAPictureOfThe(),
  thumb_opening: say.takeAPictureFromWhere(),
  gap: say.takeAPictureStraightOn(),
  wrist_line: say.takeAPictureFromThe(),
  span: say.takeAPictureStraightOnTo(),
  shape: say.takeAPictureFromThe(),
};
const FROM_THE_SIDE = say.takeAPictureFromTheSide();

// Of these a drawn hand knows the answer.
const DRAWN = new Set<Kind>(['tip_angle', 'middle_angle']);

interface Props {
  kind: Kind;
  finger: number;
  onPicture: (picture: Picture) => void;
}

/** Takes a picture from the camera, a file or a drop; refuses others in words. */
export function ChoosePicture({ kind, finger, onPicture }: Props) {
  const draw = useMutation({ mutationFn: drawnPicture, onSuccess: onPicture });
  const read = useMutation({ mutationFn: readPicture, onSuccess: onPicture });
  return (
    <div className={css.choose}>
      <p>{say.onlyTheHandNoFace({ kind: FROM[kind] ?? FROM_THE_SIDE })}</p>
      <TakeFile
        accept="image/*"
        reading={read.isPending ? say.readingThePicture() : null}
        problem={read.error?.message ?? null}
        onFile={(file) => read.mutate(file)}
      >
        {say.takeOrChooseAPicture()}
      </TakeFile>
      {DRAWN.has(kind) && (
        <Button variant="subtle" loading={draw.isPending} onClick={() => draw.mutate(finger)}>
          {say.noCameraTryItOn()}
        </Button>
      )}
      {draw.error && <p role="alert">{draw.error.message}</p>}
      <p className="quiet">{say.thePictureStaysOnThis()}</p>
    </div>
  );
}
