import { expect, test } from 'vitest';

import cases from '../../../backend/lefthand/tests/moved_week.json';
import { movedWeek } from './movedWeek';

test.each(cases)('$name', ({ planned, done, today, apart, expected }) => {
  const going = { done: new Set(done), today, apart: new Set(apart) };
  expect(movedWeek(planned as Record<string, number[]>, going)).toEqual(expected);
});
