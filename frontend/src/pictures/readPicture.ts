// A picture from a file, read in the browser and never sent. Drawing it anew turns it upright and
// leaves behind all that the file says beside the picture: place, time, camera.

import { imageSize } from 'image-size';

import { client, unwrap } from '../api/client';
import * as say from '../messages/compiled/pictures';

const MOST_BYTES = 20_000_000;
const MOST_PIXELS = 50_000_000;
const MOST_SIDE = 2000;
const MOST_SEEDS = 1_000_000;
const UNREADABLE = say.thisBrowserCannotReadThat();
const TOO_MANY = say.thisPictureHasOver50();

export interface Picture {
  image: HTMLCanvasElement;
  width: number;
  height: number;
  /** What a drawn one was drawn with, by measure. */
  truth?: Record<string, number>;
}

/** Throws an Error with the reason in words. */
export async function readPicture(file: File): Promise<Picture> {
  if (!file.type.startsWith('image/')) throw new Error(say.thisFileIsNoPicture());
  if (file.size > MOST_BYTES) throw new Error(say.thisPictureIsOver20());
  if ((await pixelsOf(file)) > MOST_PIXELS) throw new Error(TOO_MANY);
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    throw new Error(UNREADABLE);
  }
  const scale = Math.min(1, MOST_SIDE / Math.max(bitmap.width, bitmap.height));
  const image = document.createElement('canvas');
  image.width = Math.max(1, Math.round(bitmap.width * scale));
  image.height = Math.max(1, Math.round(bitmap.height * scale));
  image.getContext('2d')?.drawImage(bitmap, 0, 0, image.width, image.height);
  bitmap.close();
  return { image, width: image.width, height: image.height };
}

/** A drawn hand to measure on where there is no camera; its bends are known. */
export async function drawnPicture(finger: number): Promise<Picture> {
  const seed = Math.floor(Math.random() * MOST_SEEDS);
  const drawn = unwrap(
    await client.GET('/api/hands/drawn', { params: { query: { finger, seed } } }),
  );
  const bytes = Uint8Array.from(atob(drawn.image), (letter) => letter.charCodeAt(0));
  const picture = await readPicture(new File([bytes], 'drawn.jpg', { type: 'image/jpeg' }));
  return { ...picture, truth: drawn.truth };
}

/** As the file says of itself, before anything of it is unpacked: a small file may unpack to a huge
 * picture. */
async function pixelsOf(file: File): Promise<number> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  try {
    const { width, height } = imageSize(bytes);
    return width * height;
  } catch {
    throw new Error(UNREADABLE);
  }
}
