import { type ReactNode, useId, useState } from 'react';

import css from './Fold.module.css';
import touch from './touch.module.css';

interface Props {
  title: string;
  /** What it holds, in a few words. */
  summary: ReactNode;
  isOpen?: boolean;
  children: () => ReactNode;
}

/** A part of a page that opens in its place, below its own line; made only when it is opened. */
export function Fold({ title, summary, isOpen = false, children }: Props) {
  const [open, setOpen] = useState(isOpen);
  const id = useId();
  return (
    <section className={`${css.fold} no-print`}>
      <h2>
        <button
          type="button"
          className={touch.line}
          aria-expanded={open}
          aria-controls={id}
          onClick={() => setOpen(!open)}
        >
          <span>{title}</span>
          <small>{summary}</small>
          <i aria-hidden="true" />
        </button>
      </h2>
      <div id={id} className={css.inside} hidden={!open}>
        {open && children()}
      </div>
    </section>
  );
}
