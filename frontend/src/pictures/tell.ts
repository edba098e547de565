import { client, type Schemas, unwrap } from '../api/client';
import type { SetPoint } from './PointPad';
import { type Kind, ofWhat } from './pointPlan';
import type { Picture } from './readPicture';

export interface Told {
  value: number;
  /** What one pixel makes. */
  uncertainty: number;
  /** Degrees by which it may be wrong as a bone points at the camera. */
  may_be_off: number;
}

export interface Asked {
  kind: Kind;
  instrument: string;
  finger: number;
  /** Its length in mm, for a span. */
  string: number | null;
}

/** What the points tell of what was asked; null where they do not tell it. */
export async function tell(
  { kind, instrument, finger, string }: Asked,
  picture: Picture,
  points: SetPoint[],
): Promise<Told | null> {
  const body = pointsBody(instrument, picture, points);
  if (kind === 'span') {
    const span = unwrap(
      await client.POST('/api/hands/span', { body: { ...body, string_length: string ?? 0 } }),
    );
    return { ...span, may_be_off: 0 };
  }
  const angles = unwrap(await client.POST('/api/hands/angles', { body }));
  const of = ofWhat(kind, finger);
  return angles.find((each) => each.measure === kind && each.of === of) ?? null;
}

export function pointsBody(
  instrument: string,
  size: { width: number; height: number },
  points: SetPoint[],
): Schemas['PointsIn'] {
  return {
    instrument: instrument as Schemas['Instrument'],
    width: size.width,
    height: size.height,
    points: Object.fromEntries(points.map(({ name, x, y }) => [name, [x, y]])),
  };
}
