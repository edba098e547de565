import { type MouseEvent, type ReactNode, useId, useLayoutEffect, useRef } from 'react';

import css from './Dialog.module.css';
import touch from './touch.module.css';
import * as say from '../messages/compiled/components';

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

/** To what is to be filled in first, not the way out; where that is still to come, as soon as it has, unless the reader went on. */
function focusFirst(shown: HTMLDialogElement): MutationObserver {
  const begun = document.activeElement;
  const watch = new MutationObserver(() => {
    const first = shown.querySelector<HTMLElement>(FIRST);
    if (first && document.activeElement === begun) first.focus();
    if (first) watch.disconnect();
  });
  const first = shown.querySelector<HTMLElement>(FIRST);
  if (first) first.focus();
  else watch.observe(shown, { childList: true, subtree: true });
  return watch;
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
    const watch = shown ? focusFirst(shown) : null;
    return () => {
      watch?.disconnect();
      shown?.close();
    };
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
          {!isFirm && (
            <button type="button" className={touch.word} onClick={onClose}>
              {say.close()}
            </button>
          )}
        </div>
        {children}
      </div>
    </dialog>
  );
}
