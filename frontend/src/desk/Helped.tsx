import '@mantine/core/styles/Switch.css';

import { Switch } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';
import { helpedQuery } from '../api/deskQueries';
import css from './Learning.module.css';
import * as say from '../messages/compiled/desk';

/** Over the own players: after which exercises there was less of a cause, with how many and how sure. */
export function Helped() {
  const helped = useQuery(helpedQuery);
  const cache = useQueryClient();
  const turn = useMutation({
    mutationFn: async (on: boolean) =>
      unwrap(await client.POST('/api/desk/helped', { body: { on } })),
    onSuccess: (data) => cache.setQueryData(helpedQuery.queryKey, data),
  });
  const problem = helped.error ?? turn.error;
  if (problem) return <p role="alert">{problem.message}</p>;
  if (!helped.data) return null;
  const { on, shares, uncounted } = helped.data;
  const few = shares.filter((each) => each.is_few);
  return (
    <section>
      <h2>{say.whatWentBeforeAChange()}</h2>
      <p className="quiet">{say.ofYourPlayersWithA()}</p>
      <Switch
        size="lg"
        label={say.showThisHere()}
        checked={on}
        onChange={(event) => turn.mutate(event.currentTarget.checked)}
      />
      {on && shares.length === 0 && <p>{say.nothingWasPractisedAndLooked()}</p>}
      {on && <Shares shares={shares.filter((each) => !each.is_few)} />}
      {on && few.length > 0 && (
        <details>
          <summary className={css.few}>{say.moreThatRestOnToo({ count: few.length })}</summary>
          <Shares shares={few} />
        </details>
      )}
      {uncounted > 0 && <p className="quiet">{say.morePlayersAreCountedWhen({ uncounted })}</p>}
    </section>
  );
}

function Shares({ shares }: { shares: Schemas['ShareOut'][] }) {
  if (shares.length === 0) return null;
  return (
    <ul className={css.settled}>
      {shares.map((each) => (
        <li key={`${each.cause}/${each.exercise}`}>
          <strong>{each.exercise}</strong>
          <span>{wordsOf(each)}</span>
          {!each.is_few && (
            <span className="quiet">
              {say.to({ low: percent(each.low), high: percent(each.high) })}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}

function wordsOf(share: Schemas['ShareOut']): string {
  return say.ofHadLessOfIt({ cause: share.cause, players: share.players, less: share.less });
}

function percent(share: number): string {
  return `${Math.round(100 * share)} %`;
}
