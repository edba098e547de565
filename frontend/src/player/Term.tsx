import { useState } from 'react';
import { useLocation } from 'wouter';

import type { Schemas } from '../api/client';
import { late } from '../components/late';
import touch from '../components/touch.module.css';
import css from './Term.module.css';
import { TermPicture } from './TermPicture';
import { headlineOf, measureWords, stringWords } from './termWords';
import type { TermHandle } from './useTerm';
import * as say from '../messages/compiled/player';
import { Rich } from '../messages/Rich';

const TermTable = late(async () => (await import('./TermTable')).TermTable);
const SPAN_WORDS: Record<string, string> = { term: say.term(), year: say.year(), all: say.all() };

interface Props {
  term: Schemas['TermOut'];
  handle: TermHandle;
  isStopped: boolean;
}

/** What truly changed: the sentence, the picture up to today, and its words at its right end. */
export function Term({ term, handle, isStopped }: Props) {
  const [opened, setOpened] = useState<string | null>(null);
  const [, navigate] = useLocation();
  const [first, second] = headlineOf(term, isStopped);
  const string = term.strings.find((each) => each.cause === opened) ?? null;
  const toggle = (cause: string) => setOpened(cause === opened ? null : cause);
  return (
    <section className={css.term} aria-label={say.whatTrulyChanged()}>
      <div className={css.headline}>
        <div>
          <h2>{first}</h2>
          {second && <p>{second}</p>}
        </div>
        {term.picture && (
          <div className="no-print">
            {term.spans.length > 1 && <Spans spans={term.spans} {...handle} />}
            <Key />
          </div>
        )}
      </div>
      {term.picture && (
        <div className={css.whole}>
          <TermPicture
            picture={term.picture}
            onCause={toggle}
            onLesson={(lesson) => navigate(`/lessons/${lesson}`)}
          />
          {!handle.isNarrow && (
            <Beside term={term} picture={term.picture} opened={opened} onOpen={toggle} />
          )}
        </div>
      )}
      {string && (
        <TermTable string={string} lessons={term.lessons} onClose={() => setOpened(null)} />
      )}
    </section>
  );
}

function Spans({
  spans,
  span,
  setSpan,
}: { spans: string[] } & Pick<TermHandle, 'span' | 'setSpan'>) {
  return (
    <div role="group" aria-label={say.timeShown()} className={css.spans}>
      {spans.map((each) => (
        <button key={each} type="button" aria-pressed={each === span} onClick={() => setSpan(each)}>
          {SPAN_WORDS[each] ?? each}
        </button>
      ))}
    </div>
  );
}

/** What pale and green mean; thick and thin are said on the first string itself. */
function Key() {
  return (
    <p className={css.key}>
      <span>
        <i data-kind="sheath" aria-hidden="true" /> {say.perhaps()}
      </span>
      <span>
        <svg viewBox="0 0 26 12" width="26" height="12" aria-hidden="true">
          <path d="M1 11h8v-5h8v-5h8" fill="none" stroke="var(--accent)" strokeWidth="3" />
        </svg>
        {say.workedOnAStepClimbed()}
      </span>
    </p>
  );
}

interface BesideProps {
  term: Schemas['TermOut'];
  picture: Schemas['TermPictureOut'];
  opened: string | null;
  onOpen: (cause: string) => void;
}

/** At the right end of the picture, at the height of each strand: how it is today. */
function Beside({ term, picture, opened, onOpen }: BesideProps) {
  return (
    <div className={css.beside}>
      <span className={css.today}>{say.today()}</span>
      {picture.rows.map((row) => (
        <div
          key={row.of + row.key}
          className={css.answer}
          style={{ top: `${(100 * row.y) / picture.height}%` }}
        >
          <Words row={row} term={term} opened={opened} onOpen={onOpen} />
        </div>
      ))}
    </div>
  );
}

type WordsProps = Omit<BesideProps, 'picture'> & { row: Schemas['TermRowOut'] };

function Words({ row, term, opened, onOpen }: WordsProps) {
  const string = term.strings.find((each) => each.cause === row.key);
  if (row.of === 'string' && string) {
    const { answer, since, less } = stringWords(string);
    return (
      <button
        type="button"
        className={touch.line}
        aria-expanded={opened === string.cause}
        onClick={() => onOpen(string.cause)}
      >
        <span className={css.whose}>{string.name}: </span>
        <strong>{answer}</strong>
        {since && <small>{since}</small>}
        {less && (
          <small>
            <Rich says={say.lessAfter({ less })} />
          </small>
        )}
      </button>
    );
  }
  const measure = term.measures.find((each) => each.label === row.key);
  if (row.of === 'measure' && measure) {
    const [numbers, counts] = measureWords(measure);
    return (
      <p>
        <span className={css.whose} aria-hidden="true">
          {measure.label}
        </span>
        <strong>{numbers}</strong>
        <small>{counts}</small>
      </p>
    );
  }
  return (
    <p>
      <small>
        <Rich says={say.ofTheLastSevenDays({ practised: term.practised })} />
      </small>
    </p>
  );
}
