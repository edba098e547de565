import type { Ref } from 'react';

import { Key } from './Key';
import css from './NextAction.module.css';

interface Props {
  children: string;
  /** It leads now: filled; else it is only there. */
  isNext: boolean;
  disabled?: boolean;
  onClick: () => void;
}

/** The one next action of a screen, always in its bottom right corner, always on Enter. */
export function NextAction({ children, isNext, disabled = false, onClick }: Props) {
  return (
    <button
      type="button"
      className={css.next}
      data-next={isNext || undefined}
      disabled={disabled}
      aria-keyshortcuts="Enter"
      onClick={onClick}
    >
      {children}
      <Key name="Enter" />
    </button>
  );
}

interface LinkProps {
  children: string;
  href: string;
  ref: Ref<HTMLAnchorElement>;
}

/** The same as a link to a page of its own. */
export function NextLink({ children, href, ref }: LinkProps) {
  return (
    <a
      ref={ref}
      className={css.next}
      data-next
      href={href}
      target="_blank"
      rel="noreferrer"
      aria-keyshortcuts="Enter"
    >
      {children}
      <Key name="Enter" />
    </a>
  );
}
