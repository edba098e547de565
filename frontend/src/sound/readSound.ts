import { wavOf } from './wav';

const LONGEST = 60;
const LARGEST = 60_000_000;

/** A recording as a file that the server reads. What this browser cannot decode goes as it is.
 *  Throws an Error whose words a teacher can use. */
export async function readSound(file: File): Promise<Blob> {
  if (file.size > LARGEST) throw new Error('This file is too large. A minute is enough.');
  const context = new AudioContext();
  const decoded = await context
    .decodeAudioData(await file.arrayBuffer())
    .catch(() => null)
    .finally(() => void context.close());
  if (decoded === null) return file;
  if (decoded.duration > LONGEST)
    throw new Error(
      `This is ${Math.round(decoded.duration)} seconds long; a minute at most, please.`,
    );
  return wavOf({ samples: decoded.getChannelData(0), rate: decoded.sampleRate });
}
