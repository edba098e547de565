import type { ReactNode } from 'react';
import { Link } from 'wouter';

import { HomeMark } from './HomeMark';
import css from './Head.module.css';

interface HeadStep {
  id: string;
  words: string;
  shortcut?: string;
  /** How it stands, for the ear and for whoever points at it. */
  note?: string;
  done: boolean;
}

interface Props {
  title: string;
  /** Where the title leads. */
  href?: string;
  about: string;
  /** What the stops on its string are. */
  stepsAre: string;
  steps: HeadStep[];
  now: string;
  onGo: (id: string) => void;
  /** At the right: what is saved, and quiet actions. */
  children: ReactNode;
}

/** Who or what it is about, its steps as stops on one string across the page, and what was done. */
export function Head({ title, href, about, stepsAre, steps, now, onGo, children }: Props) {
  const heading = <h1>{title}</h1>;
  return (
    <header className={css.head}>
      <div className={css.who}>
        <HomeMark />
        {href ? (
          <Link href={href} className={css.name}>
            {heading}
          </Link>
        ) : (
          <div className={css.name}>{heading}</div>
        )}
        <span className={css.about}>{about}</span>
      </div>
      <nav className={css.steps} aria-label={stepsAre} data-steps={steps.length}>
        {steps.map((step) => (
          <button
            key={step.id}
            type="button"
            aria-current={step.id === now ? 'step' : undefined}
            aria-keyshortcuts={step.shortcut}
            data-done={step.done || undefined}
            onClick={() => onGo(step.id)}
          >
            <span>{step.words}</span>
            {step.note && <small>{step.note}</small>}
          </button>
        ))}
      </nav>
      <div className={css.saved}>{children}</div>
    </header>
  );
}

interface SavedProps {
  did: string | undefined;
  children: ReactNode;
}

/** What was done last, and where it is now. */
export function Saved({ did, children }: SavedProps) {
  return (
    <p role="status">
      <span className={css.did}>{did}</span>
      <span>{children}</span>
    </p>
  );
}
