// A picture from a file, read in the browser and never sent. Drawing it anew turns it upright and
// leaves behind all that the file says beside the picture: place, time, camera.

const MOST_BYTES = 20_000_000;
const MOST_PIXELS = 50_000_000;
const MOST_SIDE = 2000;

export interface Picture {
  image: HTMLCanvasElement;
  width: number;
  height: number;
}

/** Throws an Error with the reason in words. */
export async function readPicture(file: File): Promise<Picture> {
  if (!file.type.startsWith('image/')) throw new Error('This file is no picture.');
  if (file.size > MOST_BYTES) throw new Error('This picture is over 20 MB. Take a smaller one.');
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    throw new Error('This browser cannot read that picture. JPEG, PNG and WebP always work.');
  }
  if (bitmap.width * bitmap.height > MOST_PIXELS) {
    bitmap.close();
    throw new Error('This picture has over 50 million points. Take a smaller one.');
  }
  const scale = Math.min(1, MOST_SIDE / Math.max(bitmap.width, bitmap.height));
  const image = document.createElement('canvas');
  image.width = Math.max(1, Math.round(bitmap.width * scale));
  image.height = Math.max(1, Math.round(bitmap.height * scale));
  image.getContext('2d')?.drawImage(bitmap, 0, 0, image.width, image.height);
  bitmap.close();
  return { image, width: image.width, height: image.height };
}
