import { Button } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';

import { client, type Evidence, type Schemas, unwrap } from '../../api/client';
import { Dialog } from '../../components/Dialog';
import css from './PictureAngle.module.css';
import { PointPad, type SetPoint } from './PointPad';
import { isFromPicture, type PictureMeasure } from './fromPicture';
import { ownError, wantedPoints } from './pointPlan';
import { type Picture, readPicture } from './readPicture';

type Angle = Schemas['AngleOut'];

interface Props {
  item: Evidence;
  instrument: string;
  finger: number | null;
  onValue: (value: number) => void;
}

/** Opens a picture to measure on; for measures that a picture can tell. */
export function PictureAngle(props: Props) {
  const [open, setOpen] = useState(false);
  const { measure } = props.item;
  if (!isFromPicture(measure)) return null;
  return (
    <>
      <Button variant="default" onClick={() => setOpen(true)}>
        From a picture
      </Button>
      <Dialog opened={open} onClose={() => setOpen(false)} title={titleOf(props)} wide>
        <Measuring {...props} measure={measure} onDone={() => setOpen(false)} />
      </Dialog>
    </>
  );
}

function titleOf({ item, finger }: Props): string {
  return finger === null ? item.label : `${item.label}, finger ${finger}`;
}

function Measuring({
  item,
  instrument,
  finger,
  measure,
  onValue,
  onDone,
}: Props & { measure: PictureMeasure; onDone: () => void }) {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [points, setPoints] = useState<SetPoint[]>([]);
  const [first, setFirst] = useState<Angle | null>(null);
  const on = finger ?? item.of_finger ?? 4;
  const wanted = wantedPoints(measure, on);
  const next = wanted[points.length] ?? null;
  const read = useMutation({ mutationFn: readPicture, onSuccess: setPicture });
  const angle = useMutation({
    mutationFn: async (set: SetPoint[]) => {
      const angles = await anglesOf(instrument, picture, set);
      return angles.find((each) => each.measure === measure) ?? null;
    },
  });
  const change = (set: SetPoint[]) => {
    setPoints(set);
    angle.reset();
    if (set.length === wanted.length) angle.mutate(set);
  };
  const way = item.id === 'elbow.forced' ? -1 : 1;
  const found = angle.data ?? null;
  const value = found && way * (first ? (first.value + found.value) / 2 : found.value);
  if (!picture) {
    return <Choose problem={read.error?.message ?? null} onFile={(file) => read.mutate(file)} />;
  }
  return (
    <div className={css.measuring}>
      <p className={css.next} role="status">
        {next ? (
          <>
            Set <strong>{next.words}</strong> ({points.length + 1} of {wanted.length})
          </>
        ) : (
          wordsOf(angle.error, found, first, item.unit ?? '')
        )}
      </p>
      <PointPad
        picture={picture}
        points={points}
        wanted={next?.words ?? null}
        onSet={(x, y) => next && change([...points, { name: next.name, x, y }])}
        onUndo={() => change(points.slice(0, -1))}
      />
      <div className={css.actions}>
        <Button
          variant="default"
          disabled={points.length === 0}
          onClick={() => change(points.slice(0, -1))}
        >
          Take back
        </Button>
        <Button
          variant="default"
          disabled={found === null || first !== null}
          onClick={() => {
            setFirst(found);
            change([]);
          }}
        >
          Set them once more
        </Button>
        <Button
          disabled={value === null}
          onClick={() => {
            if (value !== null) onValue(Math.round(value * 100) / 100);
            onDone();
          }}
        >
          Take it over
        </Button>
      </div>
    </div>
  );
}

async function anglesOf(
  instrument: string,
  picture: Picture | null,
  points: SetPoint[],
): Promise<Angle[]> {
  return unwrap(
    await client.POST('/api/hands/angles', {
      body: {
        instrument: instrument as Schemas['Instrument'],
        width: picture?.width ?? 1,
        height: picture?.height ?? 1,
        points: Object.fromEntries(points.map(({ name, x, y }) => [name, [x, y]])),
      },
    }),
  );
}

function Choose({ problem, onFile }: { problem: string | null; onFile: (file: File) => void }) {
  return (
    <div
      className={css.choose}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const [file] = event.dataTransfer.files;
        if (file) onFile(file);
      }}
    >
      <p>
        Take a picture from the side, so that the finger lies in the plane of the picture; the elbow
        from the front, not in a mirror. Only the hand, no face.
      </p>
      <label className={css.file}>
        <span>Take or choose a picture, or drop it here</span>
        <input
          type="file"
          accept="image/*"
          onChange={(event) => {
            const file = event.currentTarget.files?.[0];
            if (file) onFile(file);
          }}
        />
      </label>
      {problem && <p role="alert">{problem}</p>}
      <p className="quiet">
        The picture stays on this device and is not kept. Only the points you set are measured.
      </p>
    </div>
  );
}

function wordsOf(error: Error | null, now: Angle | null, before: Angle | null, unit: string) {
  if (error) return error.message;
  if (!now) return 'These points do not tell the angle. Take back and set them again.';
  const one = `${now.value} ${unit}, give or take ${now.uncertainty} for a point off by one pixel`;
  const off =
    now.may_be_off > 0
      ? ` The finger points at the camera: it may be off by ${now.may_be_off}.`
      : '';
  if (!before) return `${one}.${off}`;
  const own = Math.round(ownError(before.value, now.value) * 10) / 10;
  return `First ${before.value}, now ${now.value} ${unit}: your own error is about ${own}. Their middle counts.${off}`;
}
