import { useEffect, useRef } from 'react';

const DIALOG = 'dialog[open], [role="dialog"]';

export type KeyMap = Record<string, (() => void) | undefined>;

const TYPING =
  'input:not([type="checkbox"], [type="radio"]), textarea, select, [contenteditable="true"]';

const BUTTON = 'button, a, [role="button"]';

let lettersAct = true;

/** Whether single characters act at all; each teacher decides at the desk. */
export function letLettersAct(on: boolean): void {
  lettersAct = on;
  document.documentElement.dataset.letters = on ? 'on' : 'off';
}

/** Single keys while nothing is being typed and no dialog is open. Keys are `event.key` values. */
export function useKeys(keys: KeyMap): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      // A key that is held counts once.
      if (event.repeat && !event.key.startsWith('Arrow')) return;
      const target = event.target instanceof Element ? event.target : null;
      if (target?.closest(TYPING) || document.querySelector(DIALOG)) return;
      const isButtonKey = event.key === 'Enter' || event.key === ' ';
      // A button that a key led to takes its own key; where the mouse left the focus says nothing.
      if (isButtonKey && target?.closest(BUTTON) && target.matches(':focus-visible')) return;
      if (!lettersAct && event.key.length === 1) return;
      const action = latest.current[event.key];
      if (!action) return;
      event.preventDefault();
      action();
    }
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
