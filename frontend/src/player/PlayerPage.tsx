import { Button } from '@mantine/core';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'wouter';

import { late } from '../components/late';
import { client, type Schemas, unwrap } from '../api/client';
import { playerQuery } from '../api/queries';
import { useStartLesson } from '../api/useStartLesson';
import { KeysHere } from '../components/KeysHere';
import { LazyPieces } from '../pieces/LazyPieces';
import { Problem } from '../components/Problem';
import { Reminders } from '../components/Reminders';
import { StringsRule } from '../components/StringsRule';
import { useKeys } from '../components/useKeys';
import { usePageTitle } from '../components/usePageTitle';
import { INSTRUMENT_WORDS, shortDate } from '../words/words';
import { Fit } from './Fit';
import { Ladders } from './Ladders';
import { Pictures } from './Pictures';
import { PlayerFile } from './PlayerFile';
import css from './PlayerPage.module.css';
import { Sheets } from './Sheets';
import { ThenAndNow } from './ThenAndNow';
import { WhatElse } from './WhatElse';

const LiftFlag = late(async () => (await import('../components/LiftFlag')).LiftFlag);
const Term = late(async () => (await import('./Term')).Term);
const Timeline = late(async () => (await import('./Timeline')).Timeline);
const WayChoices = late(async () => (await import('../components/WayChoices')).WayChoices);
const PlayerDialog = late(async () => (await import('../components/PlayerDialog')).PlayerDialog);

/** What has become better, in pictures: evidence over the lessons and steps climbed. */
export function PlayerPage() {
  const { playerId } = useParams();
  const [whole, setWhole] = useState(false);
  const query = useQuery({
    ...playerQuery(Number(playerId), whole),
    placeholderData: keepPreviousData,
  });
  const start = useStartLesson();
  usePageTitle(query.data?.player.name ?? 'Player');
  useKeys({ Enter: () => start.mutate(Number(playerId)) });
  const [changing, setChanging] = useState(false);
  const cache = useQueryClient();
  const way = useMutation({
    mutationFn: async (body: Schemas['WayIn']) =>
      unwrap(
        await client.POST('/api/players/{player_id}/way', {
          params: { path: { player_id: Number(playerId) } },
          body,
        }),
      ),
    onSuccess: () => cache.invalidateQueries(playerQuery(Number(playerId))),
  });
  if (query.error) return <Problem error={query.error} onRetry={() => void query.refetch()} />;
  if (!query.data) return null;
  const { player, lessons, rows, ladders, flags, lesson_today, ways } = query.data;
  const { stop, pain } = query.data;
  return (
    <div className={css.page}>
      <KeysHere />
      <header className={css.head}>
        <div>
          <h1>{player.name}</h1>
          <p className="quiet">
            {INSTRUMENT_WORDS[player.instrument]}, {player.level}
            {player.age !== null && `, ${player.age} years`}
            {player.piece && ` · ${player.piece}`}
          </p>
        </div>
        <div>
          <Button variant="subtle" onClick={() => setChanging(true)}>
            Change
          </Button>
          {lessons.length > 0 && (
            <Button variant="subtle" component={Link} href={`/letters?players=${player.id}`}>
              Letters
            </Button>
          )}
        </div>
        <Button
          size="lg"
          aria-keyshortcuts="Enter"
          loading={start.isPending}
          onClick={() => start.mutate(player.id)}
        >
          {lesson_today ? 'Go on with today’s lesson' : 'Begin a lesson'}
        </Button>
      </header>
      <StringsRule />
      {stop && <Stopped playerId={player.id} stop={stop} />}
      {pain && !stop && (
        <p className={css.pain} role="status">
          <strong>Hurt at home</strong> on {shortDate(pain.date)}: {pain.pain} of 10. The week on
          the phone eases off.
        </p>
      )}
      <Term playerId={player.id} />
      <Reminders reminders={query.data.reminders} />
      <ThenAndNow instrument={player.instrument} lessons={lessons} rows={rows} />
      {rows.length > 0 && <EverySign lessons={lessons} rows={rows} />}
      {query.data.hidden > 0 && (
        <Button variant="subtle" className={css.earlier} onClick={() => setWhole(true)}>
          Show {query.data.hidden} earlier {query.data.hidden === 1 ? 'lesson' : 'lessons'}
        </Button>
      )}
      <Sheets lessons={lessons} />
      <WhatElse lessons={lessons} />
      {ladders.length > 0 && <Ladders ladders={ladders} />}
      {lessons.length === 0 && <p>Begin a lesson: what you see in it will show here.</p>}
      {changing && (
        <PlayerDialog
          opened
          onClose={() => setChanging(false)}
          player={{ id: player.id, facts: query.data.facts }}
        />
      )}
      <Fit
        playerId={player.id}
        isHeldUp={player.instrument === 'vn' || player.instrument === 'va'}
      />
      <Pictures player={player} />
      <LazyPieces playerId={player.id} />
      <OwnWay
        name={player.name}
        ways={ways}
        onChoose={(key, value) => way.mutate({ key, value })}
      />
      {flags.some((flag) => flag.lifted_on !== null) && (
        <section>
          <h2>Stops that were lifted</h2>
          <ul>
            {flags
              .filter((flag) => flag.lifted_on !== null)
              .map((flag) => (
                <li key={flag.raised_on + flag.reasons.join() + flag.note}>
                  {shortDate(flag.raised_on)}, {flag.reasons.join('; ')}:{' '}
                  {flag.mistaken ? 'taken back' : 'lifted'}{' '}
                  {flag.lifted_on && shortDate(flag.lifted_on)}, “{flag.note}”
                </li>
              ))}
          </ul>
        </section>
      )}
      <PlayerFile id={player.id} name={player.name} sounds={query.data.kept_sounds} />
    </div>
  );
}

/** Each sign over the lessons, fetched and drawn when it is opened. */
function EverySign({ lessons, rows }: Pick<Schemas['PlayerOut'], 'lessons' | 'rows'>) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className={css.summary}>Every sign, lesson by lesson</summary>
      {open && (
        <Timeline
          name="Findings over the lessons"
          lessons={lessons}
          focus={lessons.map((lesson) => lesson.focus[0] ?? '')}
          rows={rows.map((row) => ({ key: row.evidence, ...row }))}
        />
      )}
    </details>
  );
}

interface OwnWayProps {
  name: string;
  ways: Schemas['PlayerOut']['ways'];
  onChoose: (key: string, value: string | null) => void;
}

/** Ways of teaching that hold for this player alone. */
function OwnWay({ name, ways, onChoose }: OwnWayProps) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className={css.summary}>Way of teaching for {name}</summary>
      {open && <WayChoices ways={ways} onChoose={onChoose} backWords="as at your desk" />}
    </details>
  );
}

type Stop = NonNullable<Schemas['PlayerOut']['stop']>;

function Stopped({ playerId, stop }: { playerId: number; stop: Stop }) {
  return (
    <section className={css.flag} role="alert">
      <div>
        <strong>Stop, since {shortDate(stop.raised_on)}:</strong> {stop.reasons.join('; ')}. Plans
        are paused; a doctor or physiotherapist should look at it.
      </div>
      <LiftFlag playerId={playerId} reasons={stop.reasons} />
    </section>
  );
}
