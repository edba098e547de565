import { Button } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';

import { TakeFile } from '../components/TakeFile';
import css from './Measuring.module.css';
import type { Kind } from './pointPlan';
import { drawnPicture, type Picture, readPicture } from './readPicture';

const FROM: Partial<Record<Kind, string>> = {
  elbow_offset: 'Take a picture of the player from the front, not in a mirror.',
  thumb_opening: 'Take a picture from where the opening is widest.',
  gap: 'Take a picture straight on to the back of the hand.',
  wrist_line: 'Take a picture from the side, forearm and hand both in it.',
  span: 'Take a picture straight on to the board, the whole string in it, from nut to bridge.',
};
const FROM_THE_SIDE =
  'Take a picture from the side, so that the finger lies in the plane of the picture.';

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
      <p>{FROM[kind] ?? FROM_THE_SIDE} Only the hand, no face.</p>
      <TakeFile
        accept="image/*"
        reading={read.isPending ? 'Reading the picture …' : null}
        problem={read.error?.message ?? null}
        onFile={(file) => read.mutate(file)}
      >
        Take or choose a picture, or drop it here
      </TakeFile>
      {DRAWN.has(kind) && (
        <Button variant="subtle" loading={draw.isPending} onClick={() => draw.mutate(finger)}>
          No camera? Try it on a drawn hand
        </Button>
      )}
      {draw.error && <p role="alert">{draw.error.message}</p>}
      <p className="quiet">
        The picture stays on this device unless you choose to keep it. Only the points you set are
        measured.
      </p>
    </div>
  );
}
