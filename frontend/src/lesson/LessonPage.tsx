import { usePrefetchQuery, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useLocation, useParams, useSearchParams } from 'wouter';

import { late } from '../components/late';
import type { Catalogue } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { handQuery } from '../api/handQueries';
import { Problem } from '../components/Problem';
import { useKeys } from '../components/useKeys';
import { signsOf } from '../drawings/signs';
import { ThumbPlace } from '../drawings/thumbPlace';
import { loadMeasuring } from '../pictures/LazyMeasuring';
import { loadMeasure } from './loadMeasure';
import { usePageTitle } from '../components/usePageTitle';
import { usePointerLeavesNoFocus } from '../components/usePointerLeavesNoFocus';
import { LessonHead } from './LessonHead';
import { upperFirst } from '../words/words';
import css from './LessonPage.module.css';
import { SafetyBand } from './SafetyBand';
import { type Step, STEPS } from './steps';
import { type LessonHandle, useLesson } from './useLesson';
import * as say from '../messages/compiled/lesson';

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
  return (
    <ThumbPlace.Provider value={handle.lesson.thumb}>
      <LessonFlow handle={handle} catalogue={catalogue.data} />
    </ThumbPlace.Provider>
  );
}

function firstStep(handle: LessonHandle): Step {
  if (!handle.lesson.asked) return 'ask';
  if (handle.lesson.plan) return 'give';
  return handle.lesson.decided ? 'give' : 'look';
}

function LessonFlow({ handle, catalogue }: { handle: LessonHandle; catalogue: Catalogue }) {
  const { lesson, undo } = handle;
  usePageTitle(say.lesson({ name: lesson.player.name }));
  const [params, setParams] = useSearchParams();
  const [opening] = useState(() => firstStep(handle));
  const [help, setHelp] = useState(false);
  const [, navigate] = useLocation();
  useAllSteps();
  usePointerLeavesNoFocus();
  const { thumb } = lesson;
  usePrefetchQuery(handQuery(lesson.player.instrument, signsOf(lesson.findings), { thumb }));
  const asked = params.get('step');
  const step = STEPS.find((name) => name === asked) ?? opening;
  const go = (to: Step) => setParams({ step: to }, REPLACE);
  const lookAt = (check: string | null) =>
    setParams({ step: 'look', ...(check && { check }) }, REPLACE);
  const measure = (check: string) => setParams({ step: 'look', check, measure: '1' }, REPLACE);

  useKeys({
    a: () => go('ask'),
    l: () => go('look'),
    d: () => go('decide'),
    g: () => go('give'),
    p: () => navigate(`/lessons/${lesson.id}/sheet`),
    u: undo,
    '/': () => navigate(`/library?lesson=${lesson.id}&instrument=${lesson.player.instrument}`),
    '?': () => setHelp(true),
  });

  return (
    <div className={css.page} data-step={step}>
      <LessonHead handle={handle} step={step} onGo={go} onHelp={() => setHelp(true)} />
      <div className={css.band}>
        <SafetyBand handle={handle} onTell={() => setParams({ step: 'ask', tell: '1' }, REPLACE)} />
      </div>
      {step === 'ask' && (
        <AskStep
          key={params.get('tell')}
          handle={handle}
          catalogue={catalogue}
          isTelling={params.has('tell')}
          onDone={() => go('look')}
          onMeasure={measure}
        />
      )}
      {step === 'look' && (
        <LookStep
          key={params.get('check')}
          handle={handle}
          catalogue={catalogue}
          opening={params.get('check')}
          opensMeasure={params.has('measure')}
          onDecide={() => go('decide')}
        />
      )}
      {step === 'decide' && (
        <DecideStep
          handle={handle}
          catalogue={catalogue}
          onDone={() => go('give')}
          onLookAt={lookAt}
        />
      )}
      {step === 'give' && <GiveStep handle={handle} catalogue={catalogue} />}
      {help && <KeyHelp opened here={upperFirst(step)} onClose={() => setHelp(false)} />}
    </div>
  );
}
