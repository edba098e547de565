import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useLocation, useParams } from 'wouter';

import type { Schemas } from '../api/client';
import { sheetQuery } from '../api/queries';
import { Key } from '../components/Key';
import { NextLink } from '../components/NextAction';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import screen from '../components/screen.module.css';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { usePointerLeavesNoFocus } from '../components/usePointerLeavesNoFocus';
import { WordChoice } from '../components/WordChoice';
import { shortDate } from '../words/words';
import { PhoneLink } from '../components/PhoneLink';
import { TwoHands } from '../drawings/TwoHands';
import { ExerciseMusic } from '../exercise/ExerciseMusic';
import { ExerciseFacts, ExerciseSteps } from '../exercise/ExerciseText';
import css from './SheetPage.module.css';

/** The practice sheet on screen, as it will be on paper. */
export function SheetPage() {
  const { lessonId } = useParams();
  const query = useQuery(sheetQuery(Number(lessonId)));
  const [, navigate] = useLocation();
  const [paper, setPaper] = useState('paper=a4');
  const pdf = useRef<HTMLAnchorElement>(null);
  usePointerLeavesNoFocus();
  useKeys({
    Enter: () => pdf.current?.click(),
    b: () => navigate(`/lessons/${lessonId}?step=give`),
    n: () => navigate('/'),
  });
  if (query.error && !query.data)
    return <Problem error={query.error} onRetry={() => void query.refetch()} />;
  if (!query.data) return null;
  const sheet = query.data;
  const isGiven = !sheet.paused && sheet.items.length > 0;
  return (
    <>
      <PageHead
        title={`${sheet.first_name}’s week`}
        tab="Practice sheet"
        href={`/lessons/${lessonId}?step=give`}
        isOld={query.isError}
      />
      <div className={`${screen.screen} ${screen.filled}`}>
        <section className={`${screen.left} ${css.left}`} aria-label="The sheet">
          <Scroll className={css.scroll}>
            <article className={css.sheet}>
              <header className={css.head}>
                <p className={css.title}>{sheet.first_name}&rsquo;s week</p>
                <span className="quiet">
                  {sheet.instrument}, from {shortDate(sheet.date)}
                </span>
              </header>
              {sheet.eased && (
                <p role="status">
                  <strong>Easing off:</strong> half as much of it, soft and short, until the next
                  lesson.
                </p>
              )}
              {sheet.paused ? <Paused sheet={sheet} /> : <Week sheet={sheet} />}
            </article>
          </Scroll>
        </section>
        <section
          className={`${screen.right} ${css.right} no-print`}
          aria-label="What to do with it"
        >
          {sheet.made_for.length > 0 && (
            <p role="alert" className={css.changed}>
              <strong>The focus has changed since.</strong> This week was made for{' '}
              {sheet.made_for.join(' and ')}. Go back to the lesson to make it anew.
            </p>
          )}
          <WordChoice
            className={css.papers}
            label="Paper"
            choices={PAPERS}
            chosen={paper}
            onChoose={setPaper}
          />
          <button type="button" className={touch.word} onClick={() => window.print()}>
            Print this page
          </button>
          {isGiven && (
            <>
              <PhoneLink lessonId={Number(lessonId)} />
              <a className={touch.word} href={`/api/lessons/${lessonId}/practice.ics`}>
                Calendar
              </a>
            </>
          )}
          <Link
            className={touch.word}
            href={`/lessons/${lessonId}?step=give`}
            aria-keyshortcuts="b"
          >
            Back to the lesson
            <Key name="b" />
          </Link>
          <Link className={touch.word} href="/" aria-keyshortcuts="n">
            Next player
            <Key name="n" />
          </Link>
        </section>
        <div className={`${screen.foot} no-print`}>
          <div>
            <p className="quiet">On paper</p>
            <strong className={css.what}>{PAPERS.find((each) => each.id === paper)?.words}</strong>
          </div>
          <NextLink ref={pdf} href={`/api/lessons/${lessonId}/sheet.pdf?${paper}`}>
            Open the PDF
          </NextLink>
        </div>
      </div>
    </>
  );
}

const PAPERS = [
  { id: 'paper=a4', words: 'A4' },
  { id: 'paper=us-letter', words: 'US Letter' },
  { id: 'paper=a4&large=true', words: 'A4, large print' },
  { id: 'paper=us-letter&large=true', words: 'US Letter, large print' },
];

function Paused({ sheet }: { sheet: Schemas['SheetOut'] }) {
  return (
    <section className={css.paused}>
      <h2>Please stop for now</h2>
      <p>
        Your teacher has paused your exercises because of:{' '}
        <strong>{sheet.reasons.join('; ')}</strong>.
      </p>
      <p>Please see a doctor or a physiotherapist about it, and tell your teacher what they say.</p>
    </section>
  );
}

function Week({ sheet }: { sheet: Schemas['SheetOut'] }) {
  if (sheet.items.length === 0) {
    return <p>No exercises were given yet. Go back to the lesson and give the week.</p>;
  }
  return (
    <>
      <p>
        {sheet.focus.length > 0 && (
          <>
            This week is about: <strong>{sheet.focus.join(' and ')}</strong>.{' '}
          </>
        )}
        About {sheet.minutes_a_day} minutes a day.
        {sheet.takes && ` How long such a thing usually takes: ${sheet.takes}.`}
      </p>
      {sheet.teacher_line && <p className={css.line}>{sheet.teacher_line}</p>}
      {sheet.items.map((item, index) => (
        <SheetItem key={item.exercise} item={item} number={index + 1} />
      ))}
      <p className="quiet">
        Soft and short is better than long and tight. If anything hurts, tingles or goes numb: stop,
        put the instrument down and tell your teacher.
      </p>
    </>
  );
}

function SheetItem({ item, number }: { item: Schemas['SheetItemOut']; number: number }) {
  return (
    <section className={css.item}>
      <header className={css.head}>
        <h2>
          {number}. {item.name}
        </h2>
        <span>
          <strong>{item.dose}</strong>
          {item.tempo !== null && `, ♩ = ${item.tempo}`}, about {item.minutes} min
        </span>
      </header>
      <p>
        <span className="quiet">This week: {item.rung_words}.</span> {item.why}
      </p>
      {item.child && <p className={css.child}>“{item.child}”</p>}
      <div className={css.how}>
        <div>
          <ExerciseSteps steps={item.steps} />
          {item.picture && (
            <TwoHands pair={item.picture} between={item.picture.frames} width="9rem" />
          )}
        </div>
        <div className={css.feel}>
          <ExerciseFacts item={item} />
        </div>
      </div>
      <ExerciseMusic item={item} />
      <p className={css.days}>
        <span className="quiet">Tick the days:</span>
        {item.days.map((day) => (
          <span key={day} className={css.day}>
            <i aria-hidden="true" /> {day}
          </span>
        ))}
      </p>
    </section>
  );
}
