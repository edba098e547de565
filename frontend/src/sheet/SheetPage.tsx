import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useLocation, useParams } from 'wouter';

import type { Schemas } from '../api/client';
import { sheetQuery } from '../api/queries';
import { Key } from '../components/Key';
import { NextLink } from '../components/NextAction';
import { PageHead } from '../components/PageHead';
import { A4, paperAsked, PAPERS } from '../components/papers';
import { PhoneLink } from '../components/PhoneLink';
import { Problem } from '../components/Problem';
import screen from '../components/screen.module.css';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { usePointerLeavesNoFocus } from '../components/usePointerLeavesNoFocus';
import { WordChoice } from '../components/WordChoice';
import { SheetInWords } from './SheetInWords';
import { SheetPages } from './SheetPages';
import css from './SheetPage.module.css';

type Sheet = Schemas['SheetOut'];

/** The practice sheet on screen, as it will be on paper, and what can be done with it. */
export function SheetPage() {
  const { lessonId } = useParams();
  const id = Number(lessonId);
  const query = useQuery(sheetQuery(id));
  const [, navigate] = useLocation();
  const [chosen, setChosen] = useState(A4.id);
  const [helper, setHelper] = useState(false);
  const pdf = useRef<HTMLAnchorElement>(null);
  usePointerLeavesNoFocus();
  useKeys({
    Enter: () => pdf.current?.click(),
    b: () => navigate(`/lessons/${lessonId}?step=give`),
    n: () => navigate('/'),
  });
  if (query.error && !query.data)
    return <Problem error={query.error} onRetry={() => void query.refetch()} />;
  const sheet = query.data ?? null;
  const paper = PAPERS.find((each) => each.id === chosen) ?? A4;
  const asked = { ...paper.as, helper };
  return (
    <>
      <PageHead
        title={sheet ? `${sheet.first_name}’s week` : 'Practice sheet'}
        tab="Practice sheet"
        href={`/lessons/${lessonId}?step=give`}
        isOld={query.isError}
      />
      <div className={`${screen.screen} ${screen.filled}`}>
        <section
          className={`${screen.left} ${css.left} ${sheet ? '' : css.coming}`}
          aria-label="The sheet"
        >
          <Scroll className={css.scroll}>
            {sheet && isEmpty(sheet) ? (
              <p className={css.empty}>
                No exercises were given yet. Go back to the lesson and give the week.
              </p>
            ) : (
              <SheetPages lessonId={id} paper={asked} name={sheet?.first_name ?? ''} />
            )}
          </Scroll>
        </section>
        <section
          className={`${screen.right} ${css.right} no-print`}
          aria-label="What to do with it"
        >
          {sheet && (
            <Actions
              sheet={sheet}
              id={id}
              paper={paper.id}
              helper={helper}
              onPaper={setChosen}
              onHelper={setHelper}
            />
          )}
        </section>
        <div className={`${screen.foot} no-print`}>
          <div>
            <p className="quiet">On paper</p>
            <strong className={css.what}>
              {helper ? `${paper.words}, helper’s page` : paper.words}
            </strong>
          </div>
          <NextLink ref={pdf} href={`/api/lessons/${lessonId}/sheet.pdf?${paperAsked(asked)}`}>
            Open the PDF
          </NextLink>
        </div>
      </div>
    </>
  );
}

function isEmpty(sheet: Sheet): boolean {
  return !sheet.paused && sheet.items.length === 0;
}

interface ActionsProps {
  sheet: Sheet;
  id: number;
  paper: string;
  helper: boolean;
  onPaper: (id: string) => void;
  onHelper: (is: boolean) => void;
}

function Actions({ sheet, id, paper, helper, onPaper, onHelper }: ActionsProps) {
  const isGiven = !sheet.paused && sheet.items.length > 0;
  return (
    <>
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
        onChoose={onPaper}
      />
      {isGiven && (
        <button
          type="button"
          className={touch.word}
          aria-pressed={helper}
          onClick={() => onHelper(!helper)}
        >
          A page for a helper
        </button>
      )}
      <button type="button" className={touch.word} onClick={() => window.print()}>
        Print this page
      </button>
      {isGiven && (
        <>
          <PhoneLink lessonId={id} />
          <a className={touch.word} href={`/api/lessons/${id}/practice.ics`}>
            Calendar
          </a>
        </>
      )}
      <Link className={touch.word} href={`/lessons/${id}?step=give`} aria-keyshortcuts="b">
        Back to the lesson
        <Key name="b" />
      </Link>
      <Link className={touch.word} href="/" aria-keyshortcuts="n">
        Next player
        <Key name="n" />
      </Link>
      <SheetInWords sheet={sheet} />
    </>
  );
}
