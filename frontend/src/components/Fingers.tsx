import { ALL_KEY, FINGER_KEYS, FINGERS, toggled } from '../words/fingers';
import { gradeWord } from '../words/words';
import css from './Fingers.module.css';
import * as say from '../messages/compiled/components';

interface Props {
  chosen: number[];
  /** The first touch is a new choice, not one finger more. */
  isPreset?: boolean;
  /** Grades found so far, by finger. */
  grades?: Record<string, number>;
  /** Keys name the fingers now. */
  hasKeys?: boolean;
  onChoose: (fingers: number[]) => void;
}

/** The four fingers and all of them: one, several or all are chosen. */
export function Fingers({
  chosen,
  isPreset = false,
  grades = {},
  hasKeys = false,
  onChoose,
}: Props) {
  const isAll = chosen.length === FINGERS.length;
  return (
    <>
      {FINGERS.map((finger) => {
        const grade = grades[String(finger)];
        return (
          <button
            key={finger}
            type="button"
            className={css.finger}
            aria-pressed={chosen.includes(finger)}
            aria-label={
              grade === undefined
                ? say.finger({ finger })
                : say.fingerOfFinger({ finger, grade: gradeWord(grade) })
            }
            aria-keyshortcuts={hasKeys ? FINGER_KEYS[finger - 1] : undefined}
            data-graded={grade !== undefined || undefined}
            onClick={() => onChoose(toggled(isPreset ? [] : chosen, finger))}
          >
            {finger}
          </button>
        );
      })}
      <button
        type="button"
        className={`${css.finger} ${css.all}`}
        aria-pressed={isAll}
        aria-keyshortcuts={hasKeys ? ALL_KEY : undefined}
        onClick={() => onChoose(isAll ? [] : FINGERS)}
      >
        {say.all()}
      </button>
    </>
  );
}
