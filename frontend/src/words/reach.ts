import type { Schemas } from '../api/client';
import * as say from '../messages/compiled/words';
import { sentences } from '../words/lists';

type Reach = Schemas['ReachOut'];

/** What the string asks for, what is missing and what would bring it; '' where nothing is known. */
export function reachWords(reach: Reach): string {
  const { needed, short_by: short, first_place: place, turn, smaller_size: size } = reach;
  if (needed === null || needed === undefined) return '';
  const asks = say.firstPositionAsksForMm({ needed });
  if (short === null || short === undefined) return asks;
  if (short <= 0) return sentences([asks, say.itFitsWithMmTo({ short: -short })]);
  return sentences([
    asks,
    say.mmAreMissing({ short }),
    turnWords(turn),
    placeWords(place),
    size && say.sizeFits({ size }),
  ]);
}

function turnWords(turn: Reach['turn']): string {
  if (turn === 'enough') return say.aTurnOfTheHand();
  if (turn === 'perhaps') return say.aWideTurnOfThe();
  return say.aTurnOfTheHandIs();
}

function placeWords(place: number | null | undefined): string {
  if (place === null || place === undefined) return say.itFitsNowhereBelowThe();
  return say.itFitsWithTheFirst({ place });
}
