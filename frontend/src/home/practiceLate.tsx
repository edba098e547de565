import type { ComponentType } from 'react';

import home from './home.module.css';
import type { PracticeProps } from './Practice';
import * as say from '../messages/compiled/home';

/** Exercises, music and tools come after the week stands there: kept with it for a time without network. */
export async function loadPractice(): Promise<ComponentType<PracticeProps>> {
  try {
    return (await import('./Practice')).Practice;
  } catch {
    return NotCome;
  }
}

/** The network went while this part was on its way. */
function NotCome({ onWeek }: PracticeProps) {
  return (
    <>
      <div className={home.top}>
        <button type="button" onClick={onWeek}>
          {say.week()}
        </button>
      </div>
      <p role="alert">{say.theExercisesHaveNotCome()}</p>
      <div className={home.bar}>
        <button type="button" className={home.main} onClick={() => window.location.reload()}>
          {say.tryAgain()}
        </button>
      </div>
    </>
  );
}
