import '@mantine/core/styles/Switch.css';

import { Button, Switch } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';
import { shortDate } from '../words/words';
import css from './Learning.module.css';
import * as say from '../messages/compiled/desk';
import { Rich } from '../messages/Rich';

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
      <h2>{say.whatYourOwnLessonsHave()}</h2>
      <p className="quiet">{say.aCauseIsConfirmedWhen()}</p>
      <Switch
        size="lg"
        label={say.letThisShiftWhereThe()}
        checked={learning.on}
        onChange={(event) => turn.mutate(event.currentTarget.checked)}
      />
      {problem && <p role="alert">{problem.message}</p>}
      {learning.settled.length === 0 ? (
        <p>
          {learning.after === null
            ? say.nothingIsSettledYet()
            : say.nothingIsSettledSince({ after: shortDate(learning.after) })}
        </p>
      ) : (
        <>
          <ul className={css.settled}>
            {learning.settled.map((each) => (
              <li key={each.cause}>
                <strong>{each.name}</strong>
                <span>
                  {say.confirmedRefuted({ confirmed: each.confirmed, refuted: each.refuted })}
                </span>
                <span>
                  <Rich
                    says={
                      learning.on
                        ? say.startsAtInsteadOf({
                            now: percent(each.now),
                            starting: percent(each.starting),
                          })
                        : say.wouldStartAtInsteadOf({
                            now: percent(each.now),
                            starting: percent(each.starting),
                          })
                    }
                    as={{ span: (words) => <span className="quiet">{words}</span> }}
                  />
                </span>
              </li>
            ))}
          </ul>
          <div>
            <Button variant="default" onClick={() => forget.mutate()}>
              {say.forgetThisAndCountAnew()}
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
