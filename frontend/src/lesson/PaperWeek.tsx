import { Button } from '@mantine/core';

import type { Schemas } from '../api/client';
import { useKeys } from '../components/useKeys';
import { shortDate } from '../words/words';
import css from './HomeReport.module.css';
import type { LessonHandle } from './useLesson';

interface Props {
  week: Schemas['PaperWeekOut'];
  enter: LessonHandle['enter'];
}

/** A week on paper: nobody logged it, so the player is asked on which days it was practised. */
export function PaperWeek({ week, enter }: Props) {
  const told = week.practised ?? [];
  const toggle = (day: string | undefined) => {
    if (day === undefined) return;
    const others = told.filter((each) => each !== day);
    enter('practised', '', others.length < told.length ? others : [...told, day]);
  };
  const keys = Object.fromEntries(week.days.map((day, at) => [String(at + 1), () => toggle(day)]));
  useKeys(keys);
  return (
    <section>
      <h2>On which days was it practised?</h2>
      <div className={css.told} role="group" aria-label="Days of practice">
        {week.days.map((day, at) => (
          <button
            key={day}
            type="button"
            aria-pressed={told.includes(day)}
            aria-keyshortcuts={String(at + 1)}
            data-planned={week.planned.includes(day) || undefined}
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
          On none
        </Button>
      </div>
      <p className="quiet">
        {week.practised === null
          ? 'No log came home. The marked days were planned.'
          : `${told.length} of ${week.planned.length} planned days.`}
      </p>
    </section>
  );
}
