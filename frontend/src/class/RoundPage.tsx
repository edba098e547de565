import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useParams } from 'wouter';

import { type Catalogue, client, type Schemas, unwrap } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { roundQuery } from '../api/classQueries';
import { NextAction } from '../components/NextAction';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { CheckPair } from '../drawings/PairPicture';
import { Beat } from './Beat';
import css from './RoundPage.module.css';

type Round = Schemas['RoundOut'];
type Pair = Schemas['RoundPairOut'];
type Check = Catalogue['evidence'][number];

/** One half of a class plays, the other watches; they swap, and the next check comes. */
export function RoundPage() {
  const id = Number(useParams().groupId);
  const round = useQuery(roundQuery(id));
  const catalogue = useQuery(catalogueQuery);
  if (round.error && !round.data)
    return <Problem error={round.error} onRetry={() => void round.refetch()} />;
  if (!round.data || !catalogue.data) return null;
  const checks = round.data.checks.flatMap((name) =>
    catalogue.data.evidence.filter((each) => each.id === name),
  );
  return (
    <>
      <PageHead
        title="A round"
        about={round.data.name}
        href={`/class/${id}`}
        isOld={round.isError}
      />
      {checks.length === 0 || round.data.pairs.length === 0 ? (
        <p className={css.none}>Choose one to three things to look at across the group first.</p>
      ) : (
        <Turns round={round.data} checks={checks} />
      )}
    </>
  );
}

/** Check by check, and in each one turn after the other. */
function Turns({ round, checks }: { round: Round; checks: Check[] }) {
  const [at, setAt] = useState(0);
  const turns = Math.max(...round.pairs.map((pair) => pair.turn)) + 1;
  const check = checks[Math.floor(at / turns)];
  const turn = at % turns;
  const go = (by: number) => setAt(Math.max(0, Math.min(turns * checks.length, at + by)));
  useKeys({
    Enter: () => go(1),
    ArrowRight: () => go(1),
    ArrowLeft: () => go(-1),
  });
  if (check === undefined) return <Done round={round} onBack={() => go(-1)} />;
  const pairs = round.pairs.filter((pair) => pair.turn === turn && pair.checks.includes(check.id));
  const isLast = at + 1 === turns * checks.length;
  const swaps = turn + 1 < turns;
  return (
    <div className={css.page}>
      <section className={css.watch} aria-label="What to watch">
        <p className={css.of}>
          {`Look ${Math.floor(at / turns) + 1} of ${checks.length}`}, {TURN_WORDS[turn]}
        </p>
        <h2>{check.child || check.label}</h2>
        <CheckPair
          evidence={check.id}
          instrument={pairs[0]?.instrument ?? check.instruments[0] ?? 'vn'}
          finger={check.of_finger}
          width="min(20rem, 44%)"
        />
        <p className={css.sign}>
          I saw it: <strong>{check.means.at(1) ?? check.label}</strong>
        </p>
        <Beat />
      </section>
      <section className={css.pairs} aria-label="Who watches whom">
        <ul>
          {pairs.map((pair) => (
            <Answer key={pair.watched} pair={pair} check={check.id} round={round} />
          ))}
        </ul>
        {round.resting.length > 0 && (
          <p className={css.resting}>They listen: {round.resting.join(', ')}.</p>
        )}
      </section>
      <div className={css.foot}>
        <NextAction isNext onClick={() => go(1)}>
          {swaps ? 'Swap' : isLast ? 'Done' : 'Next look'}
        </NextAction>
      </div>
    </div>
  );
}

const TURN_WORDS = ['the first half plays', 'the other half plays', 'the third plays'];

interface AnswerProps {
  pair: Pair;
  check: string;
  round: Round;
}

/** One touch a watcher; a second touch takes it back. */
function Answer({ pair, check, round }: AnswerProps) {
  const cache = useQueryClient();
  const query = roundQuery(round.id);
  const tell = useMutation({
    mutationFn: async (saw: boolean | null) =>
      unwrap(
        await client.POST('/api/groups/{group_id}/round', {
          params: { path: { group_id: round.id } },
          body: { player: pair.watched, watcher: pair.watcher, check, saw },
        }),
      ),
    onSuccess: (data) => cache.setQueryData(query.queryKey, data),
  });
  const told = round.looks.find((each) => each.player === pair.watched && each.check === check);
  const now = tell.isPending ? tell.variables : (told?.saw ?? null);
  return (
    <li>
      <span>
        <strong>{pair.watched_name}</strong> plays
        <small>{pair.watcher_name} watches</small>
      </span>
      {([false, true] as const).map((saw) => (
        <button
          key={String(saw)}
          type="button"
          className={touch.button}
          aria-pressed={now === saw}
          onClick={() => tell.mutate(now === saw ? null : saw)}
        >
          {saw ? 'I saw it' : 'I did not'}
          <span className="sr-only">
            , {pair.watcher_name} says of {pair.watched_name}
          </span>
        </button>
      ))}
      {tell.error && <em role="alert">{tell.error.message}</em>}
    </li>
  );
}

function Done({ round, onBack }: { round: Round; onBack: () => void }) {
  return (
    <div className={css.done}>
      <h2>The round is over</h2>
      <p>
        {round.next_up.length > 0
          ? `Look yourself at: ${round.next_up.join(', ')}.`
          : 'Nobody saw anything that asks for you.'}
      </p>
      <p className="quiet">
        What partners saw is no grade. It stands on each player’s page, apart from what you saw.
      </p>
      <button type="button" className={touch.button} onClick={onBack}>
        Back to the last look
      </button>
    </div>
  );
}
