import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'wouter';

import { late } from '../components/late';
import type { Catalogue, Evidence, Schemas } from '../api/client';
import { savedWords } from '../outbox/outbox';
import { catalogueQuery, groupsQuery } from '../api/queries';
import { useStartLesson } from '../api/useStartLesson';
import { GradeMarks } from '../components/GradeMarks';
import { KeysHere } from '../components/KeysHere';
import { Problem } from '../components/Problem';
import { useBounceGuard } from '../components/useBounceGuard';
import { useKeys } from '../components/useKeys';
import { ALL_KEY, FINGER_KEYS, FINGERS, toggled } from '../words/fingers';
import { gradeWord } from '../words/words';
import { leftToGrade, nextPlayer } from './sweepGrades';
import { SweepRow } from './SweepRow';
import { usePageTitle } from '../components/usePageTitle';
import css from './SweepPage.module.css';
import { type SweepHandle, useSweep } from './useSweep';

const ChecksDialog = late(async () => (await import('./ChecksDialog')).ChecksDialog);
const GroupDialog = late(async () => (await import('./GroupDialog')).GroupDialog);

type Sweep = Schemas['SweepOut'];

/** A few checks over a whole group: one touch a player, then whose hand needs a closer look. */
export function SweepPage() {
  const handle = useSweep(Number(useParams().groupId));
  const catalogue = useQuery(catalogueQuery);
  const error = handle !== null && 'error' in handle ? handle.error : catalogue.error;
  if (error) return <Problem error={error} onRetry={() => window.location.reload()} />;
  if (handle === null || 'error' in handle || !catalogue.data) return null;
  return <SweepView catalogue={catalogue.data} handle={handle} />;
}

function SweepView({ catalogue, handle }: { catalogue: Catalogue; handle: SweepHandle }) {
  const { sweep } = handle;
  usePageTitle(sweep.name);
  const [choosing, setChoosing] = useState(false);
  const [changing, setChanging] = useState(false);
  const groups = useQuery(groupsQuery);
  const group = groups.data?.find((each) => each.id === sweep.id) ?? null;
  const checks = sweep.checks.flatMap((id) => catalogue.evidence.filter((e) => e.id === id));
  return (
    <div className={css.page}>
      <KeysHere />
      <header className={css.head}>
        <h1>{sweep.name}</h1>
        <div className={css.actions}>
          <span className="quiet" role="status">
            {savedWords(handle.queue)}
          </span>
          <Button variant="default" onClick={() => setChoosing(true)}>
            {checks.length === 0 ? 'Choose what to look at' : 'Other checks'}
          </Button>
          <Button variant="default" component={Link} href={`/letters?group=${sweep.id}`}>
            Letters
          </Button>
          {checks.length > 0 && sweep.pairs.length > 0 && (
            <Button variant="default" component={Link} href={`/class/${sweep.id}/cards`}>
              Partner cards
            </Button>
          )}
          <Button variant="subtle" onClick={() => setChanging(true)}>
            Change the group
          </Button>
        </div>
      </header>
      {checks.length === 0 ? (
        <p>Choose one to three things to look at across the group.</p>
      ) : (
        <Checks checks={checks} handle={handle} />
      )}
      {choosing && (
        <ChecksDialog
          opened
          onClose={() => setChoosing(false)}
          groupId={sweep.id}
          chosen={sweep.checks}
          catalogue={catalogue}
          onChoose={handle.choose}
        />
      )}
      {changing && <GroupDialog opened onClose={() => setChanging(false)} group={group} />}
    </div>
  );
}

function Checks({ checks, handle }: { checks: Evidence[]; handle: SweepHandle }) {
  const { sweep } = handle;
  const [at, setAt] = useState(0);
  const check = checks[at] ?? checks[0];
  const [chosen, setChosen] = useState<number | null>(null);
  const [asked, setAsked] = useState<number | null>(null);
  const left = check ? leftToGrade(sweep, check.id) : [];
  const active = chosen ?? left[0] ?? null;
  const guard = useBounceGuard();

  function turnTo(index: number) {
    setAt((index + checks.length) % checks.length);
    setChosen(null);
    setAsked(null);
  }
  function grade(player: number, value: number) {
    if (!check) return;
    const row = sweep.rows.find((each) => each.player.id === player);
    const again = row?.now[check.id] === value;
    handle.grade(player, check.id, again ? null : value);
    setChosen(again ? player : nextPlayer(sweep, check.id, player));
    setAsked(check.per_finger && value > 0 && !again ? player : null);
  }
  function tellFingers(player: number, fingers: number[]) {
    const now = check && sweep.rows.find((each) => each.player.id === player)?.now[check.id];
    if (check && now !== undefined) handle.grade(player, check.id, now, fingers);
  }
  function toggleFinger(finger: number) {
    const row = sweep.rows.find((each) => each.player.id === asked);
    if (check && row) tellFingers(row.player.id, toggled(row.fingers[check.id] ?? [], finger));
  }
  function move(by: number) {
    const order = sweep.rows.map((row) => row.player.id);
    const from = active === null ? -1 : order.indexOf(active);
    setChosen(order[Math.min(order.length - 1, Math.max(0, from + by))] ?? null);
  }
  const gradeActive = (value: number) => {
    const row = sweep.rows.find((each) => each.player.id === active);
    if (!check || !row?.has.includes(check.id) || !guard.mayGrade()) return;
    guard.moved();
    grade(row.player.id, value);
  };
  useKeys({
    ...Object.fromEntries([0, 1, 2, 3].map((g) => [String(g), () => gradeActive(g)])),
    ...Object.fromEntries(FINGER_KEYS.map((key, i) => [key, () => toggleFinger(i + 1)])),
    [ALL_KEY]: () => asked !== null && tellFingers(asked, FINGERS),
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    ArrowRight: () => turnTo(at + 1),
    ArrowLeft: () => turnTo(at - 1),
  });
  if (!check) return null;
  return (
    <div className={css.columns}>
      <section className={css.sweep} aria-label="Sweep">
        <div className={css.checks} role="group" aria-label="Which check">
          {checks.map((each, index) => (
            <button
              key={each.id}
              type="button"
              aria-pressed={each === check}
              onClick={() => turnTo(index)}
            >
              {each.label}
              <small>{countWords(leftToGrade(sweep, each.id).length)}</small>
            </button>
          ))}
        </div>
        <p className={css.look}>{check.look}</p>
        <ul className={css.rows}>
          {sweep.rows.map((row) => (
            <SweepRow
              key={row.player.id}
              row={row}
              check={check}
              active={row.player.id === active}
              asks={row.player.id === asked}
              onGrade={(value) => grade(row.player.id, value)}
              onFingers={(fingers) => tellFingers(row.player.id, fingers)}
            />
          ))}
        </ul>
        {left.length > 0 && (
          <Button variant="default" onClick={() => handle.rest(check.id)}>
            {left.length === sweep.rows.length ? 'Everybody' : 'All the others'}: not there
          </Button>
        )}
      </section>
      <Closer sweep={sweep} checks={checks} />
    </div>
  );
}

function countWords(left: number): string {
  return left === 0 ? 'all seen' : `${left} to see`;
}

function Closer({ sweep, checks }: { sweep: Sweep; checks: Evidence[] }) {
  const start = useStartLesson();
  return (
    <section className={css.closer} aria-labelledby="closer">
      <h2 id="closer">Look closer at</h2>
      {sweep.closer.length === 0 && (
        <p className="quiet">Nobody so far. Clear findings and new ones will stand here.</p>
      )}
      <ol>
        {sweep.closer.map((each) => {
          const name = sweep.rows.find((row) => row.player.id === each.player)?.player.name ?? '';
          const label = checks.find((check) => check.id === each.check)?.label ?? '';
          return (
            <li key={each.player}>
              <div>
                <strong>{name}</strong>
                <span className={css.why}>
                  <GradeMarks grade={each.grade} /> {label}, {gradeWord(each.grade)}
                  {each.is_more && '; more than last time'}
                </span>
              </div>
              <Button
                variant="default"
                aria-label={`Look closer at ${name}`}
                onClick={() => start.mutate(each.player)}
              >
                Look
              </Button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
