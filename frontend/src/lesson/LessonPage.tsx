import { Button } from '@mantine/core';
import { usePrefetchQuery, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useLocation, useParams, useSearchParams } from 'wouter';

import { late } from '../components/late';
import type { Catalogue } from '../api/client';
import { savedWords } from '../outbox/outbox';
import { catalogueQuery, handQuery } from '../api/queries';
import { Problem } from '../components/Problem';
import { useKeys } from '../components/useKeys';
import { signsOf } from '../drawings/signs';
import { INSTRUMENT_WORDS } from '../words/words';
import { loadMeasuring } from '../pictures/LazyMeasuring';
import { loadMeasure } from './loadMeasure';
import { usePageTitle } from '../components/usePageTitle';
import css from './LessonPage.module.css';
import { SafetyBand } from './SafetyBand';
import { type LessonHandle, useLesson } from './useLesson';

const STEPS = ['ask', 'look', 'decide', 'give'] as const;
type Step = (typeof STEPS)[number];
const STEP_WORDS: Record<Step, string> = {
  ask: 'Ask',
  look: 'Look and try',
  decide: 'Decide',
  give: 'Give',
};
const STEP_KEYS: Record<Step, string> = { ask: 'a', look: 'l', decide: 'd', give: 'g' };

const REPLACE = { replace: true };

// The step in view comes first, the others when there is time, so that they open without a network.
const loadLook = () => import('./LookStep');
const loadAsk = () => import('./AskStep');
const loadDecide = () => import('./DecideStep');
const loadGive = () => import('./GiveStep');
const AHEAD = [loadLook, loadAsk, loadDecide, loadGive, loadMeasure, loadMeasuring];
const KeyHelp = late(async () => (await import('../components/KeyHelp')).KeyHelp);
const LookStep = late(async () => (await loadLook()).LookStep);
const AskStep = late(async () => (await loadAsk()).AskStep);
const DecideStep = late(async () => (await loadDecide()).DecideStep);
const GiveStep = late(async () => (await loadGive()).GiveStep);

function savesData(): boolean {
  return (
    'connection' in navigator && (navigator.connection as { saveData?: boolean }).saveData === true
  );
}

/** Not where the reader asked the browser to spend little. */
function useAllSteps() {
  useEffect(() => {
    if (savesData()) return undefined;
    const timer = setTimeout(() => {
      for (const load of AHEAD) load().catch(() => undefined);
    }, 2000);
    return () => clearTimeout(timer);
  }, []);
}

/** One lesson from the first question to the sheet, on one page that is always saved. */
export function LessonPage() {
  const { lessonId } = useParams();
  const handle = useLesson(Number(lessonId));
  const catalogue = useQuery(catalogueQuery);
  if (handle !== null && 'error' in handle) return <Problem error={handle.error} />;
  if (handle === null || !catalogue.data) return null;
  return <LessonFlow handle={handle} catalogue={catalogue.data} />;
}

function firstStep(handle: LessonHandle): Step {
  if (!handle.lesson.asked) return 'ask';
  if (handle.lesson.plan) return 'give';
  return handle.lesson.decided ? 'give' : 'look';
}

function LessonFlow({ handle, catalogue }: { handle: LessonHandle; catalogue: Catalogue }) {
  const { lesson, undo } = handle;
  usePageTitle(`Lesson: ${lesson.player.name}`);
  const [params, setParams] = useSearchParams();
  const [opening] = useState(() => firstStep(handle));
  const [help, setHelp] = useState(false);
  const [, navigate] = useLocation();
  useAllSteps();
  usePrefetchQuery(handQuery(lesson.player.instrument, signsOf(lesson.findings)));
  const asked = params.get('step');
  const step = STEPS.find((name) => name === asked) ?? opening;
  const go = (to: Step) => setParams({ step: to }, REPLACE);

  useKeys({
    a: () => go('ask'),
    l: () => go('look'),
    d: () => go('decide'),
    g: () => go('give'),
    p: () => navigate(`/lessons/${lesson.id}/sheet`),
    u: undo,
    '?': () => setHelp(true),
  });

  return (
    <div className={css.page} data-step={step}>
      <header className={css.head}>
        <Link href={`/players/${lesson.player.id}`} className={css.name}>
          <h1>{lesson.player.name}</h1>
        </Link>
        <span className={`${css.about} quiet`}>
          {INSTRUMENT_WORDS[lesson.player.instrument]}
          {lesson.player.piece && `, ${lesson.player.piece}`}
        </span>
        <nav className={css.steps} aria-label="Steps of the lesson">
          {STEPS.map((name) => (
            <button
              key={name}
              type="button"
              className={css.step}
              aria-current={name === step ? 'step' : undefined}
              aria-keyshortcuts={STEP_KEYS[name]}
              onClick={() => go(name)}
            >
              {STEP_WORDS[name]}
            </button>
          ))}
        </nav>
        <SaveState handle={handle} onHelp={() => setHelp(true)} />
      </header>
      <SafetyBand handle={handle} onTell={() => setParams({ step: 'ask', tell: '1' }, REPLACE)} />
      {step === 'ask' && (
        <AskStep
          key={params.get('tell')}
          handle={handle}
          catalogue={catalogue}
          isTelling={params.has('tell')}
          onDone={() => go('look')}
          onLookAt={(check) => setParams({ step: 'look', check }, REPLACE)}
        />
      )}
      {step === 'look' && (
        <LookStep
          handle={handle}
          catalogue={catalogue}
          opening={params.get('check')}
          onDecide={() => go('decide')}
        />
      )}
      {step === 'decide' && (
        <DecideStep handle={handle} catalogue={catalogue} onDone={() => go('give')} />
      )}
      {step === 'give' && <GiveStep handle={handle} catalogue={catalogue} />}
      {help && <KeyHelp opened onClose={() => setHelp(false)} />}
    </div>
  );
}

function SaveState({ handle, onHelp }: { handle: LessonHandle; onHelp: () => void }) {
  const { queue, lesson, undo, undoProblem, changedElsewhere } = handle;
  const next = lesson.undoable[0];
  return (
    <div className={css.save}>
      <span role="status" className="quiet">
        {undoProblem ?? savedWords(queue)}
        {changedElsewhere && ' · changed in another window'}
      </span>
      <Button
        variant="default"
        disabled={next === undefined && queue.waiting.length === 0}
        aria-keyshortcuts="u"
        title={next?.words}
        onClick={undo}
      >
        <span className={css.undo}>
          Undo{next && <span className={css.undone}>: {next.words}</span>}
        </span>
      </Button>
      <Button variant="default" aria-label="Keys" aria-keyshortcuts="?" onClick={onHelp} px="sm">
        ?
      </Button>
    </div>
  );
}
