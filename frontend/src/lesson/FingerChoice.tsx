import { Fingers } from '../components/Fingers';
import css from './FingerChoice.module.css';
import * as say from '../messages/compiled/lesson';

interface Props {
  chosen: number[];
  /** They come from last time: the first touch is a new choice. */
  isPreset: boolean;
  /** Grades found so far, by finger. */
  grades: Record<string, number>;
  /** A grade was given before a finger was told. */
  asking: boolean;
  onChoose: (fingers: number[]) => void;
}

/** Which fingers a grade is for: one, several or all. */
export function FingerChoice({ chosen, isPreset, grades, asking, onChoose }: Props) {
  const isOpen = asking && chosen.length === 0;
  return (
    <div
      className={css.fingers}
      data-asking={isOpen || undefined}
      role="group"
      aria-label={say.whichFinger()}
    >
      <span role={isOpen ? 'alert' : undefined}>
        {chosen.length === 0 ? say.whichFingerAlone() : say.fingerInside()}
      </span>
      <Fingers chosen={chosen} isPreset={isPreset} grades={grades} onChoose={onChoose} />
    </div>
  );
}
