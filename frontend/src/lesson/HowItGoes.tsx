import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { client, type Lesson, unwrap } from '../api/client';
import { TwoHands } from '../drawings/TwoHands';
import { ExerciseMusic } from '../exercise/ExerciseMusic';
import { ExerciseFacts, ExerciseSteps } from '../exercise/ExerciseText';
import css from './GiveStep.module.css';
import type { PlanItem } from './planDraft';

interface Props {
  item: PlanItem;
  /** Its place in the week: the sheet has the same music then. */
  place: number;
  lesson: Lesson;
}

/** Steps, picture and music of an exercise, to try it in the lesson before it is given. */
export function HowItGoes({ item, place, lesson }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <details className={css.how} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>How it goes</summary>
      {open && <Shown item={item} place={place} lesson={lesson} />}
    </details>
  );
}

function Shown({ item, place, lesson }: Props) {
  const query = useQuery({
    queryKey: ['how', lesson.id, lesson.revision, item.exercise, item.rung, place],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/lessons/{lesson_id}/how', {
          params: {
            path: { lesson_id: lesson.id },
            query: { exercise: item.exercise, rung: item.rung, place },
          },
        }),
      ),
  });
  if (query.error) return <p role="alert">{query.error.message}</p>;
  const how = query.data;
  if (!how) return <p data-pending>One moment.</p>;
  return (
    <>
      <ExerciseSteps steps={how.steps} />
      {how.child && <p>“{how.child}”</p>}
      {how.picture && <TwoHands pair={how.picture} between={how.picture.frames} width="11rem" />}
      <ExerciseMusic item={how} />
      <ExerciseFacts item={how} only={['mirror', 'stop']} />
    </>
  );
}
