import { Button, TextInput } from '@mantine/core';
import { useEffect, useState } from 'react';

import type { Evidence } from '../api/client';
import css from './MeasureEntry.module.css';
import * as say from '../messages/compiled/lesson';

const TIMED = new Set(['hold_seconds', 'arch_seconds']);
const TICK = 100;

interface Props {
  item: Evidence;
  /** The value entered so far, if any. */
  value: number | null;
  onValue: (value: number) => void;
}

/** A number instead of a guess: typed, or taken with the timer where seconds are counted. */
export function MeasureEntry({ item, value, onValue }: Props) {
  const [typed, setTyped] = useState<number | null>(null);
  const started = useTimer();
  function stop() {
    const seconds = Math.round(started.elapsed * 10) / 10;
    started.stop();
    onValue(seconds);
  }
  return (
    <div className={css.measure}>
      <TextInput
        type="number"
        step="any"
        aria-label={say.inWord({ label: item.label, unit: item.unit ?? '' })}
        placeholder={say.orMeasure({ unit: item.unit ?? '' })}
        value={typed ?? value ?? ''}
        onChange={({ currentTarget: { valueAsNumber } }) =>
          setTyped(Number.isNaN(valueAsNumber) ? null : valueAsNumber)
        }
        onBlur={() => {
          if (typed !== null && typed !== value) onValue(typed);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && typed !== null) event.currentTarget.blur();
        }}
      />
      {item.measure !== null && TIMED.has(item.measure) && (
        <Button variant="default" onClick={started.running ? stop : started.start}>
          {started.running ? say.stopAtS({ elapsed: started.elapsed.toFixed(1) }) : say.timer()}
        </Button>
      )}
    </div>
  );
}

function useTimer() {
  const [start, setStart] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (start === null) return undefined;
    const timer = setInterval(() => setNow(performance.now()), TICK);
    return () => clearInterval(timer);
  }, [start]);
  return {
    running: start !== null,
    elapsed: start === null ? 0 : Math.max(0, (now - start) / 1000),
    start: () => {
      setStart(performance.now());
      setNow(performance.now());
    },
    stop: () => setStart(null),
  };
}
