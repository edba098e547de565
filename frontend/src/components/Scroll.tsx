import { type ReactNode, useEffect, useRef, useState } from 'react';

interface Props {
  className?: string | undefined;
  live?: boolean;
  /** What it holds, where no heading says it. */
  label?: string;
  children: ReactNode;
}

/** A place that scrolls by itself where its words are longer than it is; then keys reach it too. */
export function Scroll({ className, live = false, label, children }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [overflows, setOverflows] = useState(false);
  useEffect(() => {
    const element = box.current;
    if (!element) return undefined;
    const measure = () =>
      setOverflows(
        element.scrollHeight > element.clientHeight + 1 ||
          element.scrollWidth > element.clientWidth + 1,
      );
    const watcher = new ResizeObserver(measure);
    watcher.observe(element);
    for (const child of element.children) watcher.observe(child);
    return () => watcher.disconnect();
  }, [children]);
  return (
    <div
      ref={box}
      className={className}
      role={label ? 'region' : undefined}
      aria-label={label}
      aria-live={live ? 'polite' : undefined}
      tabIndex={overflows ? 0 : undefined}
    >
      {children}
    </div>
  );
}
