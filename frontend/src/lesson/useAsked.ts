import { useState } from 'react';

import type { Evidence } from '../api/client';
import { useBounceGuard } from '../components/useBounceGuard';
import { afterFingers, FINGERS } from '../words/fingers';
import { firstFingers, isDone } from './lookList';
import type { LessonHandle } from './useLesson';

interface State {
  /** Which checks it is about, in whatever order; with others it begins anew. */
  list: string;
  chosen: string | null;
  fingers: Record<string, number[]>;
  /** A grade was given before a finger was told. */
  isAsking: boolean;
  /** The check graded last, shown on while nothing else is open. */
  last: string | null;
}

export interface Asked {
  /** The check that is asked now. */
  item: Evidence | undefined;
  /** It takes grades; once all is graded a key pressed too often changes nothing. */
  isOpen: boolean;
  /** It has just come up and takes no grade yet. */
  isNew: boolean;
  /** Those that a grade goes to; null for a check that knows no fingers. */
  fingers: number[] | null;
  /** They come from last time: the first touch is a new choice. */
  isPreset: boolean;
  isAsking: boolean;
  choose: (id: string) => void;
  /** Stay with this check, whatever is entered for it. */
  hold: () => void;
  /** On to the next open one. */
  goOn: () => void;
  step: (by: number) => void;
  chooseFingers: (fingers: number[]) => void;
  moveFinger: (by: number) => void;
  grade: (grade: number) => void;
  /** A number for what is asked; it waits for a finger as a grade does. */
  measure: (value: number) => void;
}

interface Props {
  items: Evidence[];
  handle: LessonHandle;
  /** Finger of the touched spot, if it has one. */
  touched: number | null | undefined;
  /** A touched place is asked though it was graded before. */
  isTouched: boolean;
  /** The last open one of the list was graded. */
  onAllGraded: () => void;
}

/** Goes through checks one after the other: which is asked, for which fingers, and its grade. */
export function useAsked({ items, handle, touched, isTouched, onAllGraded }: Props): Asked {
  const { lesson, enter } = handle;
  const list = items
    .map((each) => each.id)
    .sort()
    .join();
  const fresh: State = {
    list,
    chosen:
      isTouched && items.every((each) => isDone(lesson, each.id)) ? (items[0]?.id ?? null) : null,
    fingers: {},
    isAsking: false,
    last: null,
  };
  const [kept, setKept] = useState(fresh);
  if (kept.list !== list) setKept(fresh);
  const state = kept.list === list ? kept : fresh;
  const guard = useBounceGuard();
  const open = items.findIndex((each) => !isDone(lesson, each.id));
  const place = (id: string | null) => items.findIndex((each) => each.id === id);
  const active = state.chosen === null ? open : place(state.chosen);
  const item = items[active] ?? items[Math.max(0, place(state.last))];
  const isOpen = active !== -1 && items[active] !== undefined;
  const fingersOf = (each: Evidence) =>
    state.fingers[each.id] ?? firstFingers(lesson, each, touched);

  const idAt = (index: number | null) => (index === null ? null : (items[index]?.id ?? null));
  const goTo = (index: number | null) =>
    setKept({ ...state, chosen: idAt(index), isAsking: false });
  function chooseFingers(fingers: number[]) {
    if (!item) return;
    const chosen = isOpen ? idAt(active) : (state.last ?? idAt(0));
    setKept({
      ...state,
      chosen,
      isAsking: false,
      fingers: { ...state.fingers, [item.id]: fingers },
    });
  }
  /** The keys an entry goes to; none where the finger has to be told first. */
  function keysOf(each: Evidence, value: unknown): string[] {
    if (!each.per_finger) return [each.id];
    const meant = fingersOf(each);
    const all = meant.length === 0 && value === 0 ? FINGERS : meant;
    if (all.length === 0) setKept({ ...state, isAsking: true });
    return all.map((finger) => `${each.id}/${finger}`);
  }
  function grade(value: number) {
    if (!item || !isOpen || !guard.mayGrade()) return;
    const keys = keysOf(item, value);
    if (keys.length === 0) return;
    for (const key of keys) enter('observation', key, value);
    const next = items.findIndex((other, index) => index !== active && !isDone(lesson, other.id));
    setKept({ ...state, chosen: idAt(next), isAsking: false, last: item.id });
    guard.moved();
    if (next === -1) onAllGraded();
  }
  return {
    item,
    isOpen,
    isNew: guard.isNew,
    fingers: item?.per_finger ? fingersOf(item) : null,
    isPreset: item !== undefined && !(item.id in state.fingers),
    isAsking: state.isAsking,
    choose: (id) => {
      guard.chosen();
      goTo(place(id));
    },
    hold: () => {
      if (isOpen) goTo(active);
    },
    goOn: () => {
      goTo(null);
      if (open === -1) onAllGraded();
    },
    step: (by) => {
      const from = active === -1 ? (by > 0 ? -1 : items.length) : active;
      goTo(Math.min(items.length - 1, Math.max(0, from + by)));
    },
    chooseFingers,
    moveFinger: (by) => {
      if (item?.per_finger) chooseFingers(afterFingers(fingersOf(item), by));
    },
    grade,
    measure: (value) => {
      if (!item) return;
      for (const key of keysOf(item, null)) enter('observation', key, { value });
    },
  };
}
