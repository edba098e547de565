// The part of a picture that is kept.

import type { SetPoint } from './PointPad';
import type { Picture } from './readPicture';
import * as say from '../messages/compiled/pictures';

const MARGIN = 0.35;
const MOST_SIDE = 1200;
const QUALITY = 0.88;

/** Pixels of the picture. */
export interface Cut {
  x: number;
  y: number;
  width: number;
  height: number;
}

interface Size {
  width: number;
  height: number;
}

/** A first proposal: what was touched, with some room around. */
export function cutAround(points: SetPoint[], picture: Size): Cut {
  const xs = points.map((point) => point.x);
  const ys = points.map((point) => point.y);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const room = MARGIN * Math.max(right - left, bottom - top, 1);
  const x = Math.max(0, left - room);
  const y = Math.max(0, top - room);
  return {
    x,
    y,
    width: Math.min(picture.width, right + room) - x,
    height: Math.min(picture.height, bottom + room) - y,
  };
}

/** Points in pixels of the cut, of those that lie in it. */
export function inCut(points: SetPoint[], cut: Cut, scale: number): Record<string, number[]> {
  const inside = ({ x, y }: SetPoint) =>
    x >= cut.x && y >= cut.y && x <= cut.x + cut.width && y <= cut.y + cut.height;
  return Object.fromEntries(
    points
      .filter(inside)
      .map(({ name, x, y }) => [name, [(x - cut.x) * scale, (y - cut.y) * scale]]),
  );
}

/** The cut as a JPEG of its own, and how its pixels are scaled. */
export async function blobOf(picture: Picture, cut: Cut): Promise<{ blob: Blob; scale: number }> {
  const scale = Math.min(1, MOST_SIDE / Math.max(cut.width, cut.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.ceil(cut.width * scale);
  canvas.height = Math.ceil(cut.height * scale);
  canvas
    .getContext('2d')
    ?.drawImage(
      picture.image,
      cut.x,
      cut.y,
      cut.width,
      cut.height,
      0,
      0,
      cut.width * scale,
      cut.height * scale,
    );
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
  if (!blob) throw new Error(say.thisBrowserCouldNotWrite());
  return { blob, scale };
}
