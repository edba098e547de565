import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState, useSyncExternalStore } from 'react';
import { useLocation } from 'wouter';

import { late } from '../components/late';
import type { Schemas } from '../api/client';
import { termQuery } from '../api/queries';
import { Problem } from '../components/Problem';
import touch from '../components/touch.module.css';
import css from './Term.module.css';
import { TermPicture } from './TermPicture';

const TermTable = late(async () => (await import('./TermTable')).TermTable);
const SPAN_WORDS: Record<string, string> = { term: 'Term', year: 'Year', all: 'All' };
const NARROW = '(max-width: 700px)';
/** The picture of another span stays until the new one is there. */
const KEEP = { placeholderData: keepPreviousData };

interface Props {
  playerId: number;
}

/** What truly changed: the sentence, what is stuck, the next step, and the picture of the term. */
export function Term({ playerId }: Props) {
  const [span, setSpan] = useState('term');
  const [opened, setOpened] = useState<string | null>(null);
  const size = useNarrow() ? 'narrow' : 'wide';
  const query = useQuery({ ...termQuery(playerId, span, size), ...KEEP });
  const [, navigate] = useLocation();
  if (query.error)
    return <Problem isPart error={query.error} onRetry={() => void query.refetch()} />;
  const term = query.data;
  if (!term) return <div className={css.waiting} data-pending />;
  if (term.next === null) return null;
  const string = term.strings.find((each) => each.cause === opened) ?? null;
  return (
    <section className={css.term} aria-label="What truly changed">
      <p className={css.better}>{term.better || term.stuck || 'No clear change yet.'}</p>
      {term.better && term.stuck && <p className={css.stuck}>{term.stuck}</p>}
      <p className={css.next}>
        <strong>{NEXT_WORDS[term.next.step] ?? 'Next'}</strong> {whyOf(term, term.next)}
      </p>
      {term.picture && (
        <>
          <div className={css.bar}>
            <Key />
            {term.spans.length > 1 && (
              <div role="group" aria-label="Time shown" className={css.spans}>
                {term.spans.map((each) => (
                  <button
                    key={each}
                    type="button"
                    className={touch.button}
                    aria-pressed={each === span}
                    onClick={() => setSpan(each)}
                  >
                    {SPAN_WORDS[each] ?? each}
                  </button>
                ))}
              </div>
            )}
          </div>
          <TermPicture
            picture={term.picture}
            onCause={setOpened}
            onLesson={(lesson) => navigate(`/lessons/${lesson}`)}
          />
        </>
      )}
      {string && (
        <TermTable string={string} lessons={term.lessons} onClose={() => setOpened(null)} />
      )}
      <Measures measures={term.measures} />
      {term.picture && (
        <p className="quiet no-print">
          Take the picture along: <a href={`/api/players/${playerId}/term.png?span=${span}`}>PNG</a>
          , <a href={`/api/players/${playerId}/term.svg?span=${span}`}>SVG</a>
        </p>
      )}
    </section>
  );
}

/** Why, without the name where the line above has just said it. */
function whyOf(term: Schemas['TermOut'], next: Schemas['TermNextOut']): string {
  const name = next.cause === null ? '' : `${next.cause}: `;
  const isSaid = name !== '' && term.stuck !== '' && next.why.startsWith(name);
  return isSaid ? next.why.slice(name.length) : next.why;
}

const NEXT_WORDS: Record<string, string> = {
  look: 'Look:',
  stop: 'Stop:',
  ease_off: 'Ease off:',
  keep_alive: 'Keep it alive:',
  on_the_way: 'On the way:',
  as_expected: 'As expected:',
  practise: 'Practice first:',
  look_again: 'Look again:',
};

/** What pale and green mean; thick and thin are said on the first string itself. */
function Key() {
  return (
    <p className={css.key}>
      <span>
        <i data-kind="sheath" aria-hidden="true" /> perhaps
      </span>
      <span>
        <svg viewBox="0 0 26 12" width="26" height="12" aria-hidden="true">
          <path d="M1 11h8v-5h8v-5h8" fill="none" stroke="var(--accent)" strokeWidth="3" />
        </svg>
        worked on, a rise is a step climbed
      </span>
    </p>
  );
}

function Measures({ measures }: { measures: Schemas['TermMeasureOut'][] }) {
  if (measures.length === 0) return null;
  return (
    <ul className={css.measures} aria-label="What was measured">
      {measures.map((each) => (
        <li key={each.label}>
          {each.label}: {round(each.first)} to {round(each.last)} {each.unit}, {each.answer}
          {each.least !== null && (
            <span className="quiet">
              {' '}
              (a change counts from {round(each.least)} {each.unit},{' '}
              {each.basis === 'own' ? 'by this player’s own repeats' : 'by the way of measuring'})
            </span>
          )}
          {each.note && ` ${each.note}`}
        </li>
      ))}
    </ul>
  );
}

function round(value: number): string {
  return String(Math.round(value * 10) / 10);
}

function useNarrow(): boolean {
  return useSyncExternalStore(
    (changed) => {
      const media = globalThis.matchMedia(NARROW);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => globalThis.matchMedia(NARROW).matches,
  );
}
