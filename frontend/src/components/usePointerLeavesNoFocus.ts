import { useEffect } from 'react';

const BUTTON = 'button, a, [role="button"]';
const DIALOG = 'dialog, [role="dialog"]';

/** What finger or mouse touched gives its focus back, so that Enter is the next action and nothing
 * else; focus that the keyboard brought stays where it is. */
export function usePointerLeavesNoFocus(): void {
  useEffect(() => {
    function onUp() {
      requestAnimationFrame(() => {
        const focused = document.activeElement;
        if (!(focused instanceof HTMLElement || focused instanceof SVGElement)) return;
        if (focused.closest(BUTTON) && !focused.closest(DIALOG)) focused.blur();
      });
    }
    document.addEventListener('pointerup', onUp);
    return () => document.removeEventListener('pointerup', onUp);
  }, []);
}
