import { useCallback, useEffect, useState } from 'react';

import { countWaiting, keepTake, sendWaiting } from './takeShelf';

const AGAIN_AFTER = 60_000;

/** What is on its way, and what came back. */
export function useTakes(token: string, today: string, known: string[]) {
  const [waiting, setWaiting] = useState(0);
  const [words, setWords] = useState<string | null>(null);
  const [days, setDays] = useState(known);
  const [busy, setBusy] = useState(false);
  const trySending = useCallback(async () => {
    setBusy((await countWaiting()) > 0);
    const sent = await sendWaiting();
    const mine = sent.filter((each) => each.take.token === token);
    const last = mine.at(-1);
    if (last) setWords(last.words);
    const taken = mine.filter((each) => each.usable).map((each) => each.take.date);
    setDays((before) => [...new Set([...before, ...taken])].sort());
    setWaiting(await countWaiting());
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
  return { days, waiting, words, busy, add };
}

export function waitingWords(count: number): string {
  return `No network: ${count === 1 ? 'the take waits' : `${count} takes wait`} on this phone.`;
}
