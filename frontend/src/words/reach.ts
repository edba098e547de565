import type { Schemas } from '../api/client';

type Reach = Schemas['ReachOut'];

/** What the string asks for, what is missing and what would bring it; '' where nothing is known. */
export function reachWords(reach: Reach): string {
  const { needed, short_by: short, first_place: place, turn, smaller_size: size } = reach;
  if (needed === null || needed === undefined) return '';
  const asks = `First position asks for ${needed} mm.`;
  if (short === null || short === undefined) return asks;
  if (short <= 0) return `${asks} It fits, with ${-short} mm to spare.`;
  const smaller = size ? `Size ${size} fits.` : '';
  return `${asks} ${short} mm are missing. ${turnWords(turn)} ${placeWords(place)} ${smaller}`.trim();
}

function turnWords(turn: Reach['turn']): string {
  if (turn === 'enough') return 'A turn of the hand brings that.';
  if (turn === 'perhaps') return 'A wide turn of the hand may bring that.';
  return 'A turn of the hand is not enough.';
}

function placeWords(place: number | null | undefined): string {
  if (place === null || place === undefined) return 'It fits nowhere below the octave.';
  return `It fits with the first finger ${place} semitones above the open string.`;
}
