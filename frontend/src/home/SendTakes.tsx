import home from './home.module.css';
import { useTakes, waitingWords } from './useTakes';
import * as say from '../messages/compiled/home';

const NONE: string[] = [];

/** Sends what was recorded before; says something only where there was something. */
export function SendTakes({ token }: { token: string }) {
  const { waiting, words, busy, held, throwAway } = useTakes(token, '', NONE);
  if (waiting > 0 && !busy) {
    return (
      <>
        <p role="status">{waitingWords(waiting, held)}</p>
        {held === 'ended' && (
          <button type="button" className={home.plain} onClick={throwAway}>
            {say.throwItAway({ waiting })}
          </button>
        )}
      </>
    );
  }
  return words === null ? null : <p role="status">{say.theTakeOfBefore({ words })}</p>;
}
