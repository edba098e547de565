import { CloseButton } from '@mantine/core';
import { type MouseEvent, type ReactNode, Suspense, useId, useLayoutEffect, useRef } from 'react';

import css from './Dialog.module.css';

const FIRST = '[data-autofocus], form input, form textarea, form select';

interface Props {
  opened: boolean;
  onClose: () => void;
  title: string;
  children: ReactNode;
  /** Default: narrow. `whole`: as wide as the page. */
  wide?: boolean | 'whole';
  /** Stays until what it asks for is done. */
  isFirm?: boolean;
}

/** A dialog over the page, the browser's own: it holds the focus and gives it back. */
export function Dialog(props: Props) {
  return props.opened ? <Opened {...props} /> : null;
}

function Opened({ onClose, title, children, wide = false, isFirm = false }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  const titleId = useId();
  // Before it leaves the page, so that the focus goes back to where it was.
  useLayoutEffect(() => {
    const shown = dialog.current;
    shown?.showModal();
    // What is to be filled in first, not the way out.
    shown?.querySelector<HTMLElement>(FIRST)?.focus();
    return () => shown?.close();
  }, []);
  // For pointers; keys have Escape.
  const closeOutside = (event: MouseEvent) => {
    if (!isFirm && event.target === dialog.current) onClose();
  };
  return (
    <dialog
      ref={dialog}
      className={`${css.dialog} ${wide === 'whole' ? css.whole : wide ? css.wide : ''}`}
      aria-labelledby={titleId}
      onClick={closeOutside}
      onCancel={(event) => {
        event.preventDefault();
        if (!isFirm) onClose();
      }}
    >
      <div className={css.body}>
        <div className={css.head}>
          <h2 id={titleId} className={css.title}>
            {title}
          </h2>
          {!isFirm && <CloseButton size={44} aria-label="Close" onClick={onClose} />}
        </div>
        <Suspense fallback={null}>{children}</Suspense>
      </div>
    </dialog>
  );
}
