import { Button } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';

import { client, type Lesson, type Schemas, unwrap } from '../api/client';
import { shortDate } from '../words/words';
import css from './AskStep.module.css';

const ANSWERS: [Schemas['JudgedIn']['judged'], string][] = [
  ['helped', 'It helped'],
  ['same', 'No difference'],
  ['worse', 'Worse: go back'],
];

/** The last change of fit is judged in the lesson after it. */
export function JudgeFit({ lesson }: { lesson: Lesson }) {
  const { fit } = lesson;
  const judge = useMutation({
    mutationFn: async (judged: Schemas['JudgedIn']['judged']) =>
      unwrap(
        await client.POST('/api/players/{player_id}/setups/{setup_id}/judged', {
          params: { path: { player_id: lesson.player.id, setup_id: fit?.id ?? 0 } },
          body: { judged },
        }),
      ),
  });
  if (fit === null) return null;
  const said = judge.data?.find((each) => each.id === fit.id)?.judged;
  return (
    <section>
      <h2>
        {shortDate(fit.date)}: {fit.change}. Did it help?
      </h2>
      <div className={css.answers} role="group" aria-label="Did the change of fit help">
        {ANSWERS.map(([answer, words]) => (
          <Button
            key={answer}
            variant={said === answer ? 'filled' : 'default'}
            aria-pressed={said === answer}
            onClick={() => judge.mutate(answer)}
          >
            {words}
          </Button>
        ))}
      </div>
      {judge.error && <p role="alert">{judge.error.message}</p>}
    </section>
  );
}
