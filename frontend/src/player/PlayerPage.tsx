import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'wouter';

import { late } from '../components/late';
import { client, type Schemas, unwrap } from '../api/client';
import { playerQuery } from '../api/queries';
import { useStartLesson } from '../api/useStartLesson';
import { Key } from '../components/Key';
import { NextAction } from '../components/NextAction';
import { PageFoot } from '../components/PageFoot';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { usePointerLeavesNoFocus } from '../components/usePointerLeavesNoFocus';
import { INSTRUMENT_WORDS, longDay, painSaid, shortDate } from '../words/words';
import css from './PlayerPage.module.css';
import { Term } from './Term';
import { nextWords } from './termWords';
import { ThenAndNow } from './ThenAndNow';
import { useTerm } from './useTerm';
import * as say from '../messages/compiled/player';
import { Rich } from '../messages/Rich';
import { beside } from '../words/lists';

const Folds = late(async () => (await import('./Folds')).Folds);
const LiftFlag = late(async () => (await import('../components/LiftFlag')).LiftFlag);
const PlayerDialog = late(async () => (await import('../components/PlayerDialog')).PlayerDialog);

type Player = Schemas['PlayerOut'];

/** What is so now, what has changed and what helped, what comes next; all else folded below. */
export function PlayerPage() {
  const { playerId } = useParams();
  const [whole, setWhole] = useState(false);
  const query = useQuery({
    ...playerQuery(Number(playerId), whole),
    placeholderData: keepPreviousData,
  });
  if (query.error && !query.data)
    return <Problem error={query.error} onRetry={() => void query.refetch()} />;
  if (!query.data) return <PageHead title="" tab={say.player()} />;
  return (
    <Opened
      key={query.data.player.id}
      data={query.data}
      isOld={query.isError}
      onWhole={() => setWhole(true)}
    />
  );
}

interface OpenedProps {
  data: Player;
  isOld: boolean;
  onWhole: () => void;
}

function Opened({ data, isOld, onWhole }: OpenedProps) {
  usePointerLeavesNoFocus();
  const { player, lessons, rows, lesson_today, stop, pain } = data;
  const [changing, setChanging] = useState(false);
  const start = useStartLesson();
  const handle = useTerm(player.id);
  const cache = useQueryClient();
  const way = useMutation({
    mutationFn: async (body: Schemas['WayIn']) =>
      unwrap(
        await client.POST('/api/players/{player_id}/way', {
          params: { path: { player_id: player.id } },
          body,
        }),
      ),
    onSuccess: () => cache.invalidateQueries(playerQuery(player.id)),
  });
  const begin = () => start.mutate(player.id);
  useKeys({ Enter: begin, p: () => window.print() });
  const term = handle.query.data;
  const about = [INSTRUMENT_WORDS[player.instrument], player.age, player.piece];
  return (
    <div className={css.page}>
      <PageHead title={player.name} about={beside(about)} isOld={isOld} />
      <p className={css.printed}>
        <strong>{player.name}</strong>, {beside(about)}. {longDay(new Date())}
      </p>
      {stop && <Stopped playerId={player.id} stop={stop} />}
      {pain && !stop && (
        <p className={css.pain} role="status">
          <Rich
            says={say.hurtAtHomeOnThe({ date: shortDate(pain.date), pain: painSaid(pain.pain) })}
          />
        </p>
      )}
      {handle.query.error && (
        <Problem isPart error={handle.query.error} onRetry={() => void handle.query.refetch()} />
      )}
      {term ? (
        <Term term={term} handle={handle} isStopped={stop !== null} />
      ) : (
        <div className={css.waiting} data-pending={!handle.query.error || undefined} />
      )}
      {/* What stands below the term comes with it, so that nothing moves down under a finger. */}
      {(term !== undefined || handle.query.error) && (
        <>
          <ThenAndNow instrument={player.instrument} lessons={lessons} rows={rows} />
          <Folds
            data={data}
            measures={term?.measures ?? []}
            span={handle.span}
            onWhole={onWhole}
            onWay={(key, value) => way.mutate({ key, value })}
          />
        </>
      )}
      <PageFoot
        {...footOf(term, stop !== null)}
        ways={
          <>
            <button type="button" className={touch.word} onClick={() => setChanging(true)}>
              {say.change()}
            </button>
            {lessons.length > 0 && (
              <>
                <Link className={touch.word} href={`/letters?players=${player.id}`}>
                  {say.letters()}
                </Link>
                <button
                  type="button"
                  className={touch.word}
                  aria-keyshortcuts="p"
                  onClick={() => window.print()}
                >
                  {say.print()}
                  <Key name="p" />
                </button>
              </>
            )}
          </>
        }
      >
        <NextAction isNext disabled={start.isPending} onClick={begin}>
          {lesson_today ? say.goOn() : say.begin()}
        </NextAction>
      </PageFoot>
      {changing && (
        <PlayerDialog
          opened
          onClose={() => setChanging(false)}
          player={{ id: player.id, facts: data.facts }}
        />
      )}
    </div>
  );
}

function footOf(term: Schemas['TermOut'] | undefined, isStopped: boolean) {
  if (isStopped) {
    return {
      note: say.underAStop(),
      title: say.askFirstSeenByA(),
      why: say.noExercisesUntilYourDated(),
    };
  }
  return { note: say.whatNext(), ...(term ? nextWords(term) : { title: '' }) };
}

type Stop = NonNullable<Player['stop']>;

function Stopped({ playerId, stop }: { playerId: number; stop: Stop }) {
  return (
    <section className={css.flag} role="alert">
      <div>
        <Rich
          says={say.stopSincePlansArePaused({
            raisedOn: shortDate(stop.raised_on),
            reasons: stop.reasons.join('; '),
          })}
        />
      </div>
      <LiftFlag playerId={playerId} stop={stop} />
    </section>
  );
}
