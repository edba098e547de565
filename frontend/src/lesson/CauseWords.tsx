import { TextInput } from '@mantine/core';

import type { Schemas } from '../api/client';
import { shortDate } from '../words/words';
import css from './DecideStep.module.css';
import type { Enter } from './useLesson';
import * as say from '../messages/compiled/lesson';

/** What was said of a cause before, and the teacher's own reason for a word on it. */
export function CauseWords({ cause, enter }: { cause: Schemas['CauseOut']; enter: Enter }) {
  const { teacher_word: said, teacher_why: why, ruled_out_on: before } = cause;
  return (
    <div className={css.words}>
      {cause.before !== '' && <p>{say.fromBefore({ before: cause.before })}</p>}
      {before && (
        <p>
          {why
            ? say.youRuledItOutBecause({ before: shortDate(before), why })
            : say.youRuledItOutOn({ before: shortDate(before) })}
        </p>
      )}
      {said && !before && (
        <TextInput
          label={say.whyInAFewWords()}
          defaultValue={why}
          maxLength={200}
          onBlur={(event) => {
            const told = event.currentTarget.value;
            if (told !== why) enter('cause', cause.id, { word: said, why: told });
          }}
        />
      )}
    </div>
  );
}
