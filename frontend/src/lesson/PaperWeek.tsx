import { Button } from '@mantine/core';
import { useRef } from 'react';

import type { Schemas } from '../api/client';
import { useBounceGuard } from '../components/useBounceGuard';
import { useKeys } from '../components/useKeys';
import { shortDate } from '../words/words';
import touch from '../components/touch.module.css';
import css from './HomeReport.module.css';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

interface Props {
  week: Schemas['PaperWeekOut'];
  enter: LessonHandle['enter'];
}

/** A week on paper: nobody logged it, so the player is asked on which days it was practised. */
export function PaperWeek({ week, enter }: Props) {
  const told = week.practised ?? [];
  const guard = useBounceGuard();
  const last = useRef('');
  const toggle = (day: string | undefined) => {
    if (day === undefined || (day === last.current && !guard.mayGrade())) return;
    last.current = day;
    guard.moved();
    const others = told.filter((each) => each !== day);
    enter('practised', '', others.length < told.length ? others : [...told, day]);
  };
  const keys = Object.fromEntries(week.days.map((day, at) => [String(at + 1), () => toggle(day)]));
  useKeys(keys);
  return (
    <section>
      <h2>{say.onWhichDaysWasIt()}</h2>
      <div className={css.told} role="group" aria-label={say.daysOfPractice()}>
        {week.days.map((day, at) => (
          <button
            key={day}
            type="button"
            className={touch.button}
            aria-pressed={told.includes(day)}
            aria-keyshortcuts={String(at + 1)}
            data-free={!week.planned.includes(day) || undefined}
            onClick={() => toggle(day)}
          >
            {shortDate(day)}
          </button>
        ))}
        <Button
          variant={week.practised !== null && told.length === 0 ? 'filled' : 'default'}
          aria-pressed={week.practised !== null && told.length === 0}
          onClick={() => enter('practised', '', [])}
        >
          {say.onNone()}
        </Button>
      </div>
      <p className="quiet">
        {week.practised === null
          ? say.noLogCameHomeDashed()
          : say.ofPlannedDays({ count: told.length, count2: week.planned.length })}
      </p>
    </section>
  );
}
