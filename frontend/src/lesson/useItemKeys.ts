import { useState } from 'react';

import type { KeyMap } from '../components/useKeys';
import {
  changed,
  DAYS,
  moreOrLess,
  onRung,
  type PlanItem,
  type Wish,
  wishOf,
  withDay,
} from './planDraft';

interface ItemKeys {
  active: string | null;
  open: (exercise: string | null) => void;
  keys: KeyMap;
}

/** Keys that change one exercise of the week after the other, and the one they change now. */
export function useItemKeys(items: PlanItem[], store: (wishes: Wish[]) => void): ItemKeys {
  const [chosen, setChosen] = useState<string | null>(null);
  const at = items.findIndex((item) => item.exercise === chosen);
  const item = items[at];
  const go = (by: number) => {
    const to = at === -1 ? (by > 0 ? 0 : items.length - 1) : at + by;
    setChosen(items[Math.min(items.length - 1, Math.max(0, to))]?.exercise ?? null);
  };
  const change = (make: (item: PlanItem) => Wish) =>
    item && store(changed(items, item.exercise, () => make(item)));
  const keys = {
    ArrowDown: () => go(1),
    ArrowUp: () => go(-1),
    ArrowRight: item && item.rung < item.rungs ? () => change((i) => onRung(i, 1)) : undefined,
    ArrowLeft: item && item.rung > 1 ? () => change((i) => onRung(i, -1)) : undefined,
    '+': item && (() => change((i) => moreOrLess(i, 1))),
    '-': item && (() => change((i) => moreOrLess(i, -1))),
    Escape: item && (() => setChosen(null)),
    x: item && (() => store(items.filter((each) => each !== item).map(wishOf))),
    ...Object.fromEntries(
      DAYS.map((day) => [String(day), item && (() => change((i) => withDay(i, day)))]),
    ),
  };
  return { active: item?.exercise ?? null, open: setChosen, keys };
}
