import '@mantine/core/styles/Switch.css';

import { Button, Switch } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';
import { shortDate } from '../words/words';
import css from './Learning.module.css';

interface Props {
  learning: Schemas['LearningOut'];
  onSaved: (desk: Schemas['DeskOut']) => void;
}

/** What own lessons have settled about causes, and whether it counts for the next players. */
export function Learning({ learning, onSaved }: Props) {
  const turn = useMutation({
    mutationFn: async (on: boolean) =>
      unwrap(await client.POST('/api/desk/learning', { body: { on } })),
    onSuccess: onSaved,
  });
  const forget = useMutation({
    mutationFn: async () => unwrap(await client.POST('/api/desk/learning/forget')),
    onSuccess: onSaved,
  });
  const problem = turn.error ?? forget.error;
  return (
    <section>
      <h2>What your own lessons have shown</h2>
      <p className="quiet">
        A cause is confirmed when you worked on it and its signs fell by half; refuted when you
        dismissed it, or three lessons changed nothing. Each player counts once. The starting chance
        is worth twenty of them. Causes that nobody thinks of are never refuted, so treat this with
        care.
      </p>
      <Switch
        size="lg"
        label="Let this shift where the next lessons start from"
        checked={learning.on}
        onChange={(event) => turn.mutate(event.currentTarget.checked)}
      />
      {problem && <p role="alert">{problem.message}</p>}
      {learning.settled.length === 0 ? (
        <p>
          Nothing is settled yet
          {learning.after !== null && `, counting from ${shortDate(learning.after)} on`}.
        </p>
      ) : (
        <>
          <ul className={css.settled}>
            {learning.settled.map((each) => (
              <li key={each.cause}>
                <strong>{each.name}</strong>
                <span>
                  {each.confirmed} confirmed, {each.refuted} refuted
                </span>
                <span>
                  {learning.on ? 'starts at' : 'would start at'} {percent(each.now)}
                  <span className="quiet"> instead of {percent(each.starting)}</span>
                </span>
              </li>
            ))}
          </ul>
          <div>
            <Button variant="default" onClick={() => forget.mutate()}>
              Forget this and count anew
            </Button>
          </div>
        </>
      )}
    </section>
  );
}

function percent(share: number): string {
  return `${Math.round(100 * share)} %`;
}
