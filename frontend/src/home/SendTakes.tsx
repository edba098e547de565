import home from './home.module.css';
import { useTakes, waitingWords } from './useTakes';

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
            Throw {waiting === 1 ? 'it' : 'them'} away
          </button>
        )}
      </>
    );
  }
  return words === null ? null : <p role="status">The take of before: {words}</p>;
}
