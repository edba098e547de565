import { useEffect, useRef } from 'react';

import { ExerciseFacts, ExerciseSteps } from '../exercise/ExerciseText';
import css from './More.module.css';
import home from './home.module.css';
import type { HomeItem } from './weekNow';
import * as say from '../messages/compiled/home';

/** All that is known of an exercise, over the page: it can be read before or after. */
export function More({ item, onClose }: { item: HomeItem; onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  return (
    <dialog ref={dialog} className={css.more} aria-labelledby="more-of-it" onClose={onClose}>
      <h2 id="more-of-it">{item.name}</h2>
      <p>{item.why}</p>
      {item.child && <p className={css.child}>“{item.child}”</p>}
      <ExerciseSteps steps={item.steps} />
      <ExerciseFacts item={item} />
      {item.music_credit && (
        <p className={css.small}>
          {item.music_title}: {item.music_credit}
        </p>
      )}
      <button type="button" className={home.plain} onClick={() => dialog.current?.close()}>
        {say.close()}
      </button>
    </dialog>
  );
}
