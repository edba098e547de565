import '@mantine/core/styles/Switch.css';

import { Switch } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';
import { helpedQuery } from '../api/deskQueries';
import css from './Learning.module.css';

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
      <h2>What went before a change</h2>
      <p className="quiet">
        Of your players with a cause who practised an exercise, how many had less of it two to six
        weeks later. It does not say that the exercise did it: players grow, other things were
        practised beside it, and you gave it to whom it suits.
      </p>
      <Switch
        size="lg"
        label="Show this here"
        checked={on}
        onChange={(event) => turn.mutate(event.currentTarget.checked)}
      />
      {on && shares.length === 0 && <p>Nothing was practised and looked at again yet.</p>}
      {on && <Shares shares={shares.filter((each) => !each.is_few)} />}
      {on && few.length > 0 && (
        <details>
          <summary className={css.few}>
            {few.length} more that rest on too few players to tell how sure it is
          </summary>
          <Shares shares={few} />
        </details>
      )}
      {uncounted > 0 && (
        <p className="quiet">{uncounted} more players are counted when you open them.</p>
      )}
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
              {percent(each.low)} to {percent(each.high)}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}

function wordsOf(share: Schemas['ShareOut']): string {
  const players = share.players === 1 ? '1 player' : `${share.players} players`;
  return `${share.cause.toLowerCase()}: of ${players}, ${share.less} had less of it`;
}

function percent(share: number): string {
  return `${Math.round(100 * share)} %`;
}
