import type { Schemas } from '../api/client';
import { Hand } from '../drawings/Hand';
import css from './SelfCheck.module.css';
import * as say from '../messages/compiled/home';

interface Props {
  when: 'before' | 'after';
  checks: Schemas['SelfCheckOut'][];
  /** By check whether it was as it should be; absent while it was not touched. */
  found: Record<string, boolean>;
  onFound: (id: string, right: boolean) => void;
}

/** Five touches on the own hand: the picture that looks like it. Nothing has to be touched. */
export function SelfCheck({ when, checks, found, onFound }: Props) {
  return (
    <section
      className={css.check}
      aria-label={when === 'before' ? say.yourHandBeforePractice() : say.yourHandAfterPractice()}
    >
      <h1>{when === 'before' ? say.lookAtYourHandFirst() : say.andNow()}</h1>
      {checks.map((check) => (
        <div key={check.id} role="group" aria-label={check.ask}>
          <p>{check.ask}</p>
          <div className={css.choice}>
            {[true, false].map((right) => {
              const frame = check.picture?.frames[right ? 0 : 1];
              return (
                <button
                  key={String(right)}
                  type="button"
                  aria-pressed={found[check.id] === right}
                  onClick={() => onFound(check.id, right)}
                >
                  {frame && <Hand frame={frame} words="" />}
                  {right ? check.right : check.wrong}
                </button>
              );
            })}
          </div>
        </div>
      ))}
    </section>
  );
}
