import { useSyncExternalStore } from 'react';

import { beforeYou, onBeforeYou } from '../api/inLine';
import css from './InLine.module.css';
import * as say from '../messages/compiled/components';

/** While others are measured and drawn first: how many, and that nothing needs to be done. */
export function InLine() {
  const before = useSyncExternalStore(onBeforeYou, beforeYou);
  if (before === 0) return null;
  return (
    <div role="status" className={`${css.told} no-print`}>
      {say.beforeYouItGoesOn({ before })}
    </div>
  );
}
