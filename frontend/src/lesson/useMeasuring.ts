import { useState } from 'react';

import { canBeMeasured } from './Question';
import type { Asked } from './useAsked';

interface Measuring {
  isOpen: boolean;
  open: () => void;
  /** On to what is asked next, where something was measured. */
  close: () => void;
  /** Without going on: a grade does that. */
  drop: () => void;
  /** As it is closed by hand: from the ear nothing is asked next before it has heard something. */
  back: () => void;
  toggle: () => void;
}

/** What is measured stays asked until its panel is closed. `opening`: a check that opens it at once. */
export function useMeasuring(asked: Asked, opening: string | null): Measuring {
  const [measured, setMeasured] = useState(opening);
  const { item } = asked;
  const isOpen = item !== undefined && measured === item.id && canBeMeasured(item);
  const open = () => {
    if (!item) return;
    asked.hold();
    setMeasured(item.id);
  };
  const close = () => {
    setMeasured(null);
    if (isOpen) asked.goOn();
  };
  const drop = () => setMeasured(null);
  const back = item?.by_ear ? drop : close;
  return { isOpen, open, close, drop, back, toggle: isOpen ? back : open };
}
