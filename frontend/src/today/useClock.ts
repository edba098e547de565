import { useEffect, useState } from 'react';
import { LOCALE } from '../words/lists';

const EVERY_MS = 20_000;

/** The time of day as HH:MM, kept up to date. */
export function useClock(): string {
  const [now, setNow] = useState(clock);
  useEffect(() => {
    const timer = window.setInterval(() => setNow(clock), EVERY_MS);
    return () => window.clearInterval(timer);
  }, []);
  return now;
}

function clock(): string {
  return new Date().toLocaleTimeString(LOCALE, { hour: '2-digit', minute: '2-digit' });
}
