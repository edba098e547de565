export const FROM_PICTURE = ['tip_angle', 'middle_angle', 'elbow_offset'] as const;
export type PictureMeasure = (typeof FROM_PICTURE)[number];

/** Measures that points on a picture can tell. */
export function isFromPicture(measure: string | null): measure is PictureMeasure {
  return FROM_PICTURE.some((each) => each === measure);
}
