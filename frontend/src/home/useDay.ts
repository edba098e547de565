import { useState } from 'react';

import {
  type Answers,
  type Hurt,
  isPain,
  logOf,
  NO_PAIN,
  NOTHING_YET,
  painOf,
  UNANSWERED,
  worse,
} from './dayLog';
import type { HomeHandle } from './useHome';
import { type HomeItem, itemsOn, type WeekNow } from './weekNow';

export type View =
  | { name: 'week' | 'log' | 'end' | 'thanks' | 'take' }
  /** What is gone through stays as it was begun, whatever comes from the server meanwhile. */
  | { name: 'practice'; items: HomeItem[]; from: string | null }
  | { name: 'hurts'; isAsked: boolean; back: View };

const WEEK: View = { name: 'week' };

/** What is on the screen, what was practised and answered so far, and what keeps it. */
export function useDay({ week, log }: Pick<HomeHandle, 'week' | 'log'>) {
  const [view, setView] = useState<View>(WEEK);
  const [chosen, setChosen] = useState<string | null>(null);
  const [practised, setPractised] = useState(NOTHING_YET);
  const [answers, setAnswers] = useState(UNANSWERED);
  // A day that is told without the phone is told anew.
  const [isAnew, setIsAnew] = useState(false);
  // What hurt that day before it was touched that it hurts.
  const [prior, setPrior] = useState(NO_PAIN);
  const shown = chosen ?? firstShown(week);
  const items = itemsOn(week, shown);
  const isReal = shown <= week.today;

  function keep(date: string, said: { answers: Answers; hurt: Hurt }, done = practised) {
    const known = week.days.find((day) => day.date === date) ?? null;
    log(logOf(date, itemsOn(week, date), done, { ...said, before: known, isAnew }));
  }
  function toWeek() {
    setView(WEEK);
    setPractised(NOTHING_YET);
    setAnswers(UNANSWERED);
    setIsAnew(false);
  }
  function tell() {
    setPractised(NOTHING_YET);
    setIsAnew(true);
    setView({ name: 'log' });
  }
  // Pain is of today, but for a day that is being told.
  const painOn =
    view.name === 'end' || (view.name === 'hurts' && view.isAsked) ? shown : week.today;
  function openHurts(isAsked: boolean, said: Answers, back: View = view) {
    const known = week.days.find((day) => day.date === painOn);
    const before = known ? painOf(known) : NO_PAIN;
    setAnswers(said);
    setPrior(before);
    keep(painOn, { answers: said, hurt: worse(before, { ...NO_PAIN, hurt: 'open' }) });
    setView({ name: 'hurts', isAsked, back });
  }
  /** The touch was nothing; what had hurt before it stays. */
  const nothing = () =>
    keep(painOn, { answers, hurt: isPain(prior) ? prior : { ...NO_PAIN, hurt: 'nothing' } });
  /** The same where only the touch was kept, and nobody is being asked any more. */
  function touchWasNothing() {
    const known = week.days.find((day) => day.date === painOn);
    if (known?.hurt !== 'open') return;
    const told: Hurt = { ...painOf(known), hurt: '' };
    keep(painOn, { answers, hurt: isPain(told) ? told : { ...NO_PAIN, hurt: 'nothing' } });
  }
  return {
    view,
    setView,
    shown,
    setChosen,
    items,
    isReal,
    practised,
    setPractised,
    answers,
    toWeek,
    tell,
    openHurts,
    /** What was told of what hurts. */
    hurt: (told: Hurt) => keep(painOn, { answers, hurt: worse(prior, told) }),
    nothing,
    touchWasNothing,
    /** A day without the phone: what was done, or nothing of it. */
    told: (done: readonly string[] | null) => {
      if (done === null) {
        keep(shown, { answers: UNANSWERED, hurt: NO_PAIN }, NOTHING_YET);
        toWeek();
      } else {
        setPractised({ ...practised, done });
        setView({ name: 'end' });
      }
    },
    /** The day is over and nothing hurt. */
    end: (said: Answers) => {
      keep(shown, { answers: said, hurt: NO_PAIN });
      setPractised(NOTHING_YET);
      setIsAnew(false);
      setView({ name: 'thanks' });
    },
  };
}

/** Today, or the next day on which something is planned when today is free and not logged. */
function firstShown(week: WeekNow): string {
  const planned = week.items.flatMap((item) => item.days).sort();
  const isUsed =
    week.today === week.given_on ||
    planned.includes(week.today) ||
    week.days.some((day) => day.date === week.today);
  return isUsed ? week.today : (planned.find((day) => day > week.today) ?? week.today);
}
