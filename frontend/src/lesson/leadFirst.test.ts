import { describe, expect, it } from 'vitest';

import type { Lesson } from '../api/client';
import { leadFirst } from './leadFirst';

const lesson = (focus: string[]) =>
  ({
    causes: [{ id: 'grip' }, { id: 'bunched' }, { id: 'weak' }],
    focus: focus.map((cause) => ({ cause })),
  }) as unknown as Lesson;

describe('the list of causes', () => {
  it.each([
    [[], ['grip', 'bunched', 'weak']],
    [['grip'], ['grip', 'bunched', 'weak']],
    [['weak'], ['weak', 'grip', 'bunched']],
    [
      ['weak', 'bunched'],
      ['weak', 'bunched', 'grip'],
    ],
  ])('with the focus %j', (focus, shown) => {
    expect(leadFirst(lesson(focus)).map((cause) => cause.id)).toEqual(shown);
  });
});
