import { useSyncExternalStore } from 'react';

import { beforeYou, onBeforeYou } from '../api/inLine';
import css from './InLine.module.css';

/** While others are measured and drawn first: how many, and that nothing needs to be done. */
export function InLine() {
  const before = useSyncExternalStore(onBeforeYou, beforeYou);
  if (before === 0) return null;
  return (
    <div role="status" className={`${css.told} no-print`}>
      {before} before you. It goes on by itself.
    </div>
  );
}
