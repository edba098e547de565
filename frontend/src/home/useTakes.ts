import { useCallback, useEffect, useState } from 'react';

import { countWaiting, type Held, keepTake, sendWaiting, throwTakesAway } from './takeShelf';
import * as say from '../messages/compiled/home';

const AGAIN_AFTER = 60_000;

/** What is on its way, and what came back. */
export function useTakes(token: string, today: string, known: string[]) {
  const [waiting, setWaiting] = useState(0);
  const [words, setWords] = useState<string | null>(null);
  const [days, setDays] = useState(known);
  const [busy, setBusy] = useState(false);
  const [held, setHeld] = useState<Held | null>(null);
  const trySending = useCallback(async () => {
    setBusy((await countWaiting(token)) > 0);
    const { sent, held: why } = await sendWaiting();
    setHeld(why);
    const left = await countWaiting(token);
    const mine = sent.filter((each) => each.take.token === token);
    const taken = mine.filter((each) => each.usable).map((each) => each.take.date);
    const last = mine.at(-1);
    // All at once, so that it never says two things.
    if (last) setWords(last.words);
    setDays((before) => [...new Set([...before, ...taken])].sort());
    setWaiting(left);
    setBusy(false);
  }, [token]);
  useEffect(() => {
    const go = () => void trySending();
    go();
    window.addEventListener('online', go);
    const timer = setInterval(go, AGAIN_AFTER);
    return () => {
      window.removeEventListener('online', go);
      clearInterval(timer);
    };
  }, [trySending]);
  const add = async (sound: Blob) => {
    setWords(null);
    await keepTake({ token, date: today, sound });
    await trySending();
  };
  const throwAway = () => void throwTakesAway(token).then(() => setWaiting(0));
  return { days, waiting, words, busy, held, add, throwAway };
}

export function waitingWords(count: number, held: Held | null): string {
  if (held === 'ended') return say.thisLinkHasEndedOn({ count });
  return held === 'busy' ? say.muchToDoTakesWait({ count }) : say.noNetworkTakesWait({ count });
}
