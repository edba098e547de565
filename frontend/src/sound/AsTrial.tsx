import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';

import type { Schemas } from '../api/client';
import { gradeWord } from '../words/words';
import css from './Listening.module.css';
import * as say from '../messages/compiled/sound';

/** A trial that can be entered: what may have been changed between two takes. */
export interface Trial {
  id: string;
  label: string;
}

export type OnTrial = (trial: string, compared: Schemas['ComparedGrades']) => void;

interface Props {
  grades: Schemas['TrialGradesOut'];
  trials: Trial[];
  onTrial: OnTrial;
}

/** Two takes with one thing changed between them, entered as the trial that they are. */
export function AsTrial({ grades: { before, after }, trials, onTrial }: Props) {
  const [chosen, setChosen] = useState('');
  const [entered, setEntered] = useState('');
  return (
    <div className={css.asTrial} role="group" aria-label={say.asATrial()}>
      <p>{say.beforeAfter({ before: gradeWord(before), after: gradeWord(after) })}</p>
      <NativeSelect
        label={say.whatWasChanged()}
        value={chosen}
        data={[
          { value: '', label: say.chooseOneThing() },
          ...trials.map((trial) => ({ value: trial.id, label: trial.label })),
        ]}
        onChange={(event) => setChosen(event.currentTarget.value)}
      />
      <Button
        variant="default"
        disabled={chosen === '' || entered === chosen}
        onClick={() => {
          setEntered(chosen);
          onTrial(chosen, { before, after, changed: '' });
        }}
      >
        {entered !== '' && entered === chosen ? say.entered() : say.enterAsThisTrial()}
      </Button>
    </div>
  );
}
