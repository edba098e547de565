import { TextInput } from '@mantine/core';
import { useState } from 'react';

import type { Schemas } from '../api/client';
import { GradeMarks } from '../components/GradeMarks';
import { gradeWord } from '../words/words';
import css from './TrialCompare.module.css';
import * as say from '../messages/compiled/lesson';

type Compared = Schemas['ComparedGrades'];

interface Props {
  label: string;
  compared: Compared | null;
  onCompared: (compared: Compared) => void;
}

/** The same bar before and after one thing was changed, each graded; what was changed, in words. */
export function TrialCompare({ label, compared, onCompared }: Props) {
  const [before, setBefore] = useState(compared?.before ?? null);
  const [after, setAfter] = useState(compared?.after ?? null);
  const [changed, setChanged] = useState(compared?.changed ?? '');
  const keep = (next: { before: number | null; after: number | null; changed: string }) => {
    if (next.before !== null && next.after !== null) {
      onCompared({ before: next.before, after: next.after, changed: next.changed });
    }
  };
  return (
    <div className={css.compared}>
      <Side
        name={say.before()}
        label={label}
        grades={[1, 2, 3]}
        chosen={before}
        onChoose={(grade) => {
          setBefore(grade);
          keep({ before: grade, after, changed });
        }}
      />
      <Side
        name={say.afterAlone()}
        label={label}
        grades={[0, 1, 2, 3]}
        chosen={after}
        onChoose={(grade) => {
          setAfter(grade);
          keep({ before, after: grade, changed });
        }}
      />
      <TextInput
        label={say.whatWasChangedIfIt()}
        maxLength={120}
        value={changed}
        onChange={(event) => setChanged(event.currentTarget.value)}
        onBlur={() => {
          if (changed !== (compared?.changed ?? '')) keep({ before, after, changed });
        }}
      />
    </div>
  );
}

interface SideProps {
  name: string;
  label: string;
  grades: number[];
  chosen: number | null;
  onChoose: (grade: number) => void;
}

function Side({ name, label, grades, chosen, onChoose }: SideProps) {
  return (
    <div className={css.side} role="group" aria-label={`${name}: ${label}`}>
      <span>{name}</span>
      {grades.map((grade) => (
        <button
          key={grade}
          type="button"
          aria-pressed={chosen === grade}
          aria-label={`${name}: ${gradeWord(grade, false)}`}
          onClick={() => onChoose(grade)}
        >
          <GradeMarks grade={grade} size={24} />
          <small>{gradeWord(grade, false)}</small>
        </button>
      ))}
    </div>
  );
}
