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
import * as say from '../messages/compiled/sheet';
import { Rich } from '../messages/Rich';
import { listed } from '../words/lists';

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
        title={sheet ? say.sWeek({ firstName: sheet.first_name }) : say.practiceSheet()}
        tab={say.practiceSheet()}
        href={`/lessons/${lessonId}?step=give`}
        isOld={query.isError}
      />
      <div className={`${screen.screen} ${screen.filled}`}>
        <section
          className={`${screen.left} ${css.left} ${sheet ? '' : css.coming}`}
          aria-label={say.theSheet()}
        >
          <Scroll className={css.scroll}>
            {sheet && isEmpty(sheet) ? (
              <p className={css.empty}>{say.noExercisesWereGivenYet()}</p>
            ) : (
              <SheetPages lessonId={id} paper={asked} name={sheet?.first_name ?? ''} />
            )}
          </Scroll>
        </section>
        <section
          className={`${screen.right} ${css.right} no-print`}
          aria-label={say.whatToDoWithIt()}
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
            <p className="quiet">{say.onPaper()}</p>
            <strong className={css.what}>
              {helper ? say.helpersPage({ words: paper.words }) : paper.words}
            </strong>
          </div>
          <NextLink ref={pdf} href={`/api/lessons/${lessonId}/sheet.pdf?${paperAsked(asked)}`}>
            {say.openThePdf()}
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
          <Rich says={say.theFocusHasChangedSince({ madeFor: listed(sheet.made_for) })} />
        </p>
      )}
      <WordChoice
        className={css.papers}
        label={say.paper()}
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
          {say.aPageForAHelper()}
        </button>
      )}
      <button type="button" className={touch.word} onClick={() => window.print()}>
        {say.printThisPage()}
      </button>
      {isGiven && (
        <>
          <PhoneLink lessonId={id} />
          <a className={touch.word} href={`/api/lessons/${id}/practice.ics`}>
            {say.calendar()}
          </a>
        </>
      )}
      <Link className={touch.word} href={`/lessons/${id}?step=give`} aria-keyshortcuts="b">
        {say.backToTheLesson()}
        <Key name="b" />
      </Link>
      <Link className={touch.word} href="/" aria-keyshortcuts="n">
        {say.nextPlayer()}
        <Key name="n" />
      </Link>
      <SheetInWords sheet={sheet} />
    </>
  );
}
