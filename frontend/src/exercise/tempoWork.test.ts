import { expect, test } from 'vitest';

import cases from '../../../backend/lefthand/tests/tempo_work.json';
import { tempoAfter } from './tempoWork';

// The same cases as those of the core.
test.each(cases)('$plays on $steps', ({ steps, plays, ...expected }) => {
  expect(
    tempoAfter(
      steps,
      Array.from(plays).map((play) => play === 'c'),
    ),
  ).toEqual(expected);
});
