import type { Catalogue, Lesson, Schemas } from '../api/client';
import type { Origin } from '../drawings/HandDrawing';

/** Where on the drawn hand the leading cause may start. */
export function originOf(
  lesson: Lesson,
  catalogue: Catalogue,
  hand: Schemas['HandOut'],
): Origin | null {
  const lead = lesson.focus[0];
  if (!lead) return null;
  const places = catalogue.causes.find((c) => c.id === lead.cause)?.places ?? [];
  for (const place of places) {
    const here = hand.places.filter((each) => each.place === place);
    const spot = here.find((each) => each.finger === lead.fingers[0]) ?? here[0];
    if (spot) return { place, finger: spot.finger, name: lead.name };
  }
  return null;
}
