import touch from '../components/touch.module.css';
import css from './PiecePage.module.css';
import type { Passage, Tell } from '../pieces/pieces';
import * as say from '../messages/compiled/piece';

interface Props {
  passage: Passage;
  isBusy: boolean;
  tell: Tell;
}

/** Asked once where a cello's treble clef looks an octave too high; the other answer stays at hand. */
export function OldTreble({ passage, isBusy, tell }: Props) {
  const answer = passage.old_treble;
  if (!passage.has_old_treble && answer === null) return null;
  return (
    <div className={`${css.row} ${css.asked}`}>
      <p>{answer === null ? say.isTheTrebleClefOld() : say.theTrebleClef()}</p>
      {[true, false].map((each) => (
        <button
          key={String(each)}
          type="button"
          className={touch.word}
          aria-pressed={answer === each}
          disabled={isBusy}
          onClick={() => tell({ old_treble: each })}
        >
          {each ? say.anOctaveLower() : say.asWritten()}
        </button>
      ))}
    </div>
  );
}
