import { GradeMarks } from '../components/GradeMarks';
import css from './CheckList.module.css';
import { FINGERS, toggled } from '../words/fingers';

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
  return (
    <>
      <div className={css.fingers} role="group" aria-label="Which finger">
        {FINGERS.map((finger) => (
          <button
            key={finger}
            type="button"
            aria-pressed={chosen.includes(finger)}
            aria-label={`Finger ${finger}`}
            onClick={() => onChoose(toggled(isPreset ? [] : chosen, finger))}
          >
            {finger}
            <GradeMarks grade={grades[String(finger)] ?? null} size={20} />
          </button>
        ))}
        <button
          type="button"
          aria-pressed={chosen.length === FINGERS.length}
          onClick={() => onChoose(chosen.length === FINGERS.length ? [] : FINGERS)}
        >
          all
        </button>
      </div>
      {chosen.length === 0 && (
        <p className={asking ? css.ask : 'quiet'} role={asking ? 'alert' : undefined}>
          Which finger? Touch one or more, or all.
        </p>
      )}
    </>
  );
}
