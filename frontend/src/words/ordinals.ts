import * as say from '../messages/compiled/words';

/** Which finger, in words: the open string first. */
export const FINGER_NAMES = [
  say.openString(),
  say.firstFinger(),
  say.secondFinger(),
  say.thirdFinger(),
  say.fourthFinger(),
] as const;
