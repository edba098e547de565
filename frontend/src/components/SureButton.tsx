import { useEffect, useRef, useState } from 'react';

import touch from './touch.module.css';

interface Props {
  children: string;
  /** What the second touch says. */
  sure: string;
  /** What it is done to, told after the words where the eye sees it beside. */
  of?: string;
  isBusy?: boolean;
  onSure: () => void;
}

/** For what has no way back: the first touch asks, the second does it; whatever else is touched or
 * reached takes the question back. */
export function SureButton({ children, sure, of, isBusy = false, onSure }: Props) {
  const [asks, setAsks] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (!asks) return undefined;
    const onElsewhere = (event: Event) => {
      if (!(event.target instanceof Node && button.current?.contains(event.target))) setAsks(false);
    };
    const kinds = ['pointerdown', 'focusin', 'keydown'] as const;
    for (const kind of kinds) document.addEventListener(kind, onElsewhere);
    return () => {
      for (const kind of kinds) document.removeEventListener(kind, onElsewhere);
    };
  }, [asks]);
  return (
    <button
      ref={button}
      type="button"
      className={asks ? touch.main : touch.word}
      disabled={isBusy}
      onClick={() => {
        setAsks(!asks);
        if (asks) onSure();
      }}
    >
      {asks ? sure : children}
      {of && <span className="sr-only"> {of}</span>}
    </button>
  );
}
