import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useParams } from 'wouter';

import { type Catalogue, client, type Schemas, unwrap } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { roundQuery } from '../api/classQueries';
import { Fold } from '../components/Fold';
import { NextAction } from '../components/NextAction';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { CheckPair } from '../drawings/PairPicture';
import { Beat } from './Beat';
import css from './RoundPage.module.css';
import { Seats } from './Seats';
import * as say from '../messages/compiled/class';
import { Rich } from '../messages/Rich';
import { listed } from '../words/lists';

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
        title={say.aRound()}
        about={round.data.name}
        href={`/class/${id}`}
        isOld={round.isError}
      />
      {checks.length === 0 || round.data.pairs.length === 0 ? (
        <p className={css.none}>{say.chooseOneToThreeThings()}</p>
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
      <section className={css.watch} aria-label={say.whatToWatch()}>
        <p className={css.of}>
          {say.lookOf({
            at: Math.floor(at / turns) + 1,
            count: checks.length,
            turn: TURN_WORDS[turn] ?? '',
          })}
        </p>
        <h2>{check.child || check.label}</h2>
        <CheckPair
          evidence={check.id}
          instrument={pairs[0]?.instrument ?? check.instruments[0] ?? 'vn'}
          finger={check.of_finger}
          width="min(20rem, 44%)"
        />
        <p className={css.sign}>
          {say.iSawIt()} <strong>{check.means.at(1) ?? check.label}</strong>
        </p>
        <Beat />
      </section>
      <section className={css.pairs} aria-label={say.whoWatchesWhom()}>
        <ul>
          {pairs.map((pair) => (
            <Answer key={pair.watched} pair={pair} check={check.id} round={round} />
          ))}
        </ul>
        <Fold title={say.howToSit()} summary={say.theRoomFromAboveInside()}>
          {() => <Seats pairs={pairs} />}
        </Fold>
        {round.resting.length > 0 && (
          <p className={css.resting}>{say.theyListen({ resting: listed(round.resting) })}</p>
        )}
      </section>
      <div className={css.foot}>
        <NextAction isNext onClick={() => go(1)}>
          {swaps ? say.swap() : isLast ? say.done() : say.nextLook()}
        </NextAction>
      </div>
    </div>
  );
}

const TURN_WORDS = [say.theFirstHalfPlays(), say.theOtherHalfPlays(), say.theThirdPlays()];

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
        <Rich
          says={say.playsWatches({
            watchedName: pair.watched_name,
            watcherName: pair.watcher_name,
          })}
          as={{
            small: (words) => <small>{words}</small>,
          }}
        />
      </span>
      {([false, true] as const).map((saw) => (
        <button
          key={String(saw)}
          type="button"
          className={touch.button}
          aria-pressed={now === saw}
          onClick={() => tell.mutate(now === saw ? null : saw)}
        >
          <Rich
            says={
              saw
                ? say.iSawItSaysOf({
                    watcherName: pair.watcher_name,
                    watchedName: pair.watched_name,
                  })
                : say.iDidNotSaysOf({
                    watcherName: pair.watcher_name,
                    watchedName: pair.watched_name,
                  })
            }
            as={{ span: (words) => <span className="sr-only">{words}</span> }}
          />
        </button>
      ))}
      {tell.error && <em role="alert">{tell.error.message}</em>}
    </li>
  );
}

function Done({ round, onBack }: { round: Round; onBack: () => void }) {
  return (
    <div className={css.done}>
      <h2>{say.theRoundIsOver()}</h2>
      <p>
        {round.next_up.length > 0
          ? say.lookYourselfAt({ nextUp: listed(round.next_up) })
          : say.nobodySawAnythingThatAsks()}
      </p>
      <p className="quiet">{say.whatPartnersSawIsNo()}</p>
      <button type="button" className={touch.button} onClick={onBack}>
        {say.backToTheLastLook()}
      </button>
    </div>
  );
}
