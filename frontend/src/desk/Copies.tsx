import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { ApiError, client, unwrap } from '../api/client';
import { copiesQuery, deskQuery } from '../api/deskQueries';
import { SureButton } from '../components/SureButton';
import touch from '../components/touch.module.css';
import { refusal } from '../outbox/outboxState';
import css from './Studio.module.css';
import * as say from '../messages/compiled/desk';
import { Rich } from '../messages/Rich';
import { LOCALE } from '../words/lists';

/** Copies of the whole studio that lie beside it; one more by a touch. */
export function Copies() {
  const copies = useQuery(copiesQuery);
  const cache = useQueryClient();
  const make = useMutation({
    mutationFn: async () => unwrap(await client.POST('/api/desk/copies')),
    onSuccess: (data) => {
      cache.setQueryData(copiesQuery.queryKey, data);
      return cache.invalidateQueries(deskQuery);
    },
  });
  const goBack = useMutation({
    mutationFn: async (name: string) =>
      unwrap(await client.POST('/api/desk/copies/restore', { body: { name } })),
    // All else that is known is of the studio that was; whoever is signed out hears of it here.
    onSuccess: () => cache.invalidateQueries(),
  });
  const problem = make.error ?? goBack.error ?? copies.error;
  return (
    <section>
      <h2>{say.copiesOfTheStudio()}</h2>
      {copies.data?.is_due && (
        <p>
          <strong>{say.theNewestCopyIsOlder()}</strong>
        </p>
      )}
      <p className="quiet">{say.aCopyHoldsEveryPlayer()}</p>
      <button
        type="button"
        className={touch.button}
        disabled={make.isPending}
        onClick={() => make.mutate()}
      >
        {make.isPending ? say.copying() : say.makeACopyNow()}
      </button>
      {goBack.isSuccess && <p role="status">{say.theStudioIsThatOf()}</p>}
      {problem && (
        <p role="alert">{problem instanceof ApiError ? refusal(problem) : problem.message}</p>
      )}
      {copies.data && (
        <>
          <ul className={css.rows}>
            {copies.data.copies.map((copy) => (
              <li key={copy.made}>
                <strong>{when(copy.made)}</strong>
                <span>{copy.is_made_here ? say.madeHere() : say.beforeAnUpdateOrA()}</span>
                <span>{say.mb({ megabytes: copy.megabytes })}</span>
                <SureButton
                  sure={goBack.isPending ? say.goingBack() : say.yesGoBackToIt()}
                  of={when(copy.made)}
                  isBusy={goBack.isPending}
                  onSure={() => goBack.mutate(copy.name)}
                >
                  {say.goBackToIt()}
                </SureButton>
              </li>
            ))}
          </ul>
          <p className="quiet">
            <Rich
              says={say.theyLieInToGo({ folder: copies.data.folder })}
              as={{ code: (words) => <code>{words}</code>, code2: (words) => <code>{words}</code> }}
            />
          </p>
        </>
      )}
    </section>
  );
}

const WHEN = { dateStyle: 'medium', timeStyle: 'short' } as const;

function when(made: string): string {
  return new Date(made).toLocaleString(LOCALE, WHEN);
}
