/** Bytes as people read them. */
export function megabytes(bytes: number): string {
  const mega = bytes / 1_000_000;
  return mega < 0.1 ? 'less than 0.1 MB' : `${mega.toFixed(1)} MB`;
}
