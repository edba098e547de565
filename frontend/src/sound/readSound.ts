import { wavOf } from './wav';
import * as say from '../messages/compiled/sound';

const LONGEST = 60;
const LARGEST = 60_000_000;

/** A recording as a file that the server reads. What this browser cannot decode goes as it is.
 *  Throws an Error whose words a teacher can use. */
export async function readSound(file: File): Promise<Blob> {
  if (file.size > LARGEST) throw new Error(say.thisFileIsTooLarge());
  const context = new AudioContext();
  const decoded = await context
    .decodeAudioData(await file.arrayBuffer())
    .catch(() => null)
    .finally(() => void context.close());
  if (decoded === null) return file;
  if (decoded.duration > LONGEST)
    throw new Error(say.thisIsSecondsLongA({ duration: Math.round(decoded.duration) }));
  return wavOf({ samples: decoded.getChannelData(0), rate: decoded.sampleRate });
}
