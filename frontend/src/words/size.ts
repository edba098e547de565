/** Bytes as people read them. */
import * as say from '../messages/compiled/words';

export function megabytes(bytes: number): string {
  const mega = bytes / 1_000_000;
  return mega < 0.1 ? say.lessThan01Mb() : `${mega.toFixed(1)} MB`;
}
