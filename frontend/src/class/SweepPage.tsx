import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'wouter';

import type { Catalogue } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { groupsQuery } from '../api/classQueries';
import { Head, Saved } from '../components/Head';
import { KeysHere } from '../components/KeysHere';
import { late } from '../components/late';
import { Problem } from '../components/Problem';
import touch from '../components/touch.module.css';
import { usePageTitle } from '../components/usePageTitle';
import { usePointerLeavesNoFocus } from '../components/usePointerLeavesNoFocus';
import { savedWords } from '../outbox/outboxState';
import { Sweep } from './Sweep';
import { leftToGrade } from './sweepGrades';
import css from './SweepPage.module.css';
import { type SweepHandle, useSweep } from './useSweep';
import * as say from '../messages/compiled/class';

const ChecksDialog = late(async () => (await import('./ChecksDialog')).ChecksDialog);
const GroupDialog = late(async () => (await import('./GroupDialog')).GroupDialog);
const SheetsDialog = late(async () => (await import('./SheetsDialog')).SheetsDialog);

/** A few checks over a whole group: one touch a player, then whose hand needs a closer look. */
export function SweepPage() {
  const handle = useSweep(Number(useParams().groupId));
  const catalogue = useQuery(catalogueQuery);
  const missing = catalogue.data ? null : catalogue.error;
  const error = handle !== null && 'error' in handle ? handle.error : missing;
  if (error) return <Problem error={error} onRetry={() => window.location.reload()} />;
  if (handle === null || 'error' in handle || !catalogue.data) return null;
  return <SweepView catalogue={catalogue.data} handle={handle} />;
}

function SweepView({ catalogue, handle }: { catalogue: Catalogue; handle: SweepHandle }) {
  const { sweep } = handle;
  usePageTitle(sweep.name);
  usePointerLeavesNoFocus();
  const [choosing, setChoosing] = useState(false);
  const [changing, setChanging] = useState(false);
  const [printing, setPrinting] = useState(false);
  const [at, setAt] = useState(0);
  const groups = useQuery(groupsQuery);
  const group = groups.data?.find((each) => each.id === sweep.id) ?? null;
  const checks = sweep.checks.flatMap((id) => catalogue.evidence.filter((e) => e.id === id));
  const turnTo = (index: number) => setAt((index + checks.length) % checks.length);
  return (
    <div className={css.page}>
      <Head
        title={sweep.name}
        about={say.playersOfCount({ count: sweep.rows.length })}
        stepsAre={say.whichCheck()}
        steps={checks.map((check) => {
          const left = leftToGrade(sweep, check.id).length;
          const told = left === 0 ? say.allSeenInside() : say.toSee({ left });
          return { id: check.id, words: check.label, done: left === 0, note: told };
        })}
        now={checks[at]?.id ?? ''}
        onGo={(id) => setAt(checks.findIndex((check) => check.id === id))}
      >
        <Saved did={undefined}>{savedWords(handle.queue)}</Saved>
        <KeysHere here="Class" />
      </Head>
      <nav className={css.more} aria-label={say.moreForThisGroup()}>
        <button type="button" className={touch.word} onClick={() => setChoosing(true)}>
          {checks.length === 0 ? say.chooseWhatToLookAt() : say.otherChecks()}
        </button>
        <button type="button" className={touch.word} onClick={() => setPrinting(true)}>
          {say.sheetsForAll()}
        </button>
        <Link className={touch.word} href={`/letters?group=${sweep.id}`}>
          {say.letters()}
        </Link>
        {checks.length > 0 && sweep.pairs.length > 0 && (
          <Link className={touch.word} href={`/class/${sweep.id}/cards`}>
            {say.partnerCards()}
          </Link>
        )}
        {checks.length > 0 && sweep.pairs.length > 0 && (
          <Link className={touch.word} href={`/class/${sweep.id}/round`}>
            {say.aRoundInPairs()}
          </Link>
        )}
        <button type="button" className={touch.word} onClick={() => setChanging(true)}>
          {say.changeTheGroup()}
        </button>
      </nav>
      {checks[at] ? (
        <Sweep
          key={checks[at].id}
          check={checks[at]}
          checks={checks}
          handle={handle}
          onTurn={(by) => turnTo(at + by)}
        />
      ) : (
        <p className={css.none}>{say.chooseOneToThreeThingsTo()}</p>
      )}
      {choosing && (
        <ChecksDialog
          opened
          onClose={() => setChoosing(false)}
          groupId={sweep.id}
          chosen={sweep.checks}
          catalogue={catalogue}
          onChoose={(chosen) => {
            setAt(0);
            handle.choose(chosen);
          }}
        />
      )}
      {printing && <SheetsDialog groupId={sweep.id} onClose={() => setPrinting(false)} />}
      {changing && <GroupDialog opened onClose={() => setChanging(false)} group={group} />}
    </div>
  );
}
