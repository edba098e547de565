import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'wouter';

import { client, type Schemas, unwrap } from '../api/client';
import { lettersQuery } from '../api/queries';
import { NextAction } from '../components/NextAction';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import screen from '../components/screen.module.css';
import { Scroll } from '../components/Scroll';
import { StringChoice } from '../components/StringChoice';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { WordChoice } from '../components/WordChoice';
import { LetterForm } from './LetterForm';
import css from './LettersPage.module.css';
import {
  type EditedLetter,
  type Edits,
  forgetEdits,
  keepEdits,
  keptEdits,
} from '../outbox/letterEdits';
import * as say from '../messages/compiled/letters';
import { listed } from '../words/lists';

export type Reader = Schemas['Reader'];

const READERS: { id: Reader; name: string; about: string }[] = [
  { id: 'parent', name: say.aParentReads(), about: say.whatWasWorkedOnWhat() },
  {
    id: 'colleague',
    name: say.aColleague(),
    about: say.numbersReasonsWhatWasTried(),
  },
  { id: 'doctor', name: say.aDoctor(), about: say.whatWasToldAndWhen() },
];
const PAPERS: { id: Schemas['Paper']; words: string }[] = [
  { id: 'a4', words: 'A4' },
  { id: 'us-letter', words: say.usLetter() },
];

/** Letters about one player or a class: drafted from the records, edited here, then a PDF. */
export function LettersPage() {
  const [params, setParams] = useSearchParams();
  const reader = READERS.find(({ id }) => id === params.get('reader'))?.id ?? 'parent';
  const players = params.getAll('players').map(Number).filter(Number.isSafeInteger);
  const group = Number(params.get('group')) || null;
  const whom = group === null ? players.join() : `group-${group}`;
  const drafts = useQuery(lettersQuery(reader, players, group));
  if (drafts.error && !drafts.data)
    return <Problem error={drafts.error} onRetry={() => void drafts.refetch()} />;
  const choose = (id: Reader) => {
    const next = new URLSearchParams(params);
    next.set('reader', id);
    setParams(next, { replace: true });
  };
  return (
    <>
      <PageHead
        title={say.letters()}
        about={READERS.find(({ id }) => id === reader)?.name.toLowerCase()}
        isOld={drafts.isError}
      />
      {drafts.data && (
        <Editor
          key={`${reader}/${whom}`}
          reader={reader}
          whom={whom}
          drafts={drafts.data}
          onReader={choose}
        />
      )}
    </>
  );
}

interface EditorProps {
  reader: Reader;
  whom: string;
  drafts: Schemas['LetterOut'][];
  onReader: (reader: Reader) => void;
}

function Editor({ reader, whom, drafts, onReader }: EditorProps) {
  const shelf = `${reader}/${whom}`;
  const [{ letters, isOld }, setEdits] = useState<Edits>(() => keptEdits(shelf, drafts));
  const [paper, setPaper] = useState<Schemas['Paper']>('a4');
  const change = (next: EditedLetter[]) => {
    setEdits({ letters: next, isOld });
    keepEdits(shelf, drafts, next);
  };
  const make = useMutation({
    mutationFn: async () => {
      const answer = await client.POST('/api/letters/{reader}/pdf', {
        params: { path: { reader } },
        body: { paper, letters: letters.map(toldOf) },
        parseAs: 'blob',
      });
      return unwrap(answer);
    },
    onSuccess: (pdf) => save(pdf, `letter-${reader}.pdf`),
  });
  useKeys({ Enter: () => make.mutate() });
  return (
    <div className={`${screen.screen} ${screen.filled}`}>
      <section className={`${screen.left} ${css.left}`} aria-label={say.theLetter()}>
        <Scroll className={css.scroll}>
          {isOld && <p role="alert">{say.yourRecordsHaveChangedSince()}</p>}
          {letters.map((letter, at) => (
            <LetterForm
              key={letter.player}
              letter={letter}
              onChange={(next) => change(letters.map((each, n) => (n === at ? next : each)))}
            />
          ))}
        </Scroll>
      </section>
      <section className={`${screen.right} ${css.right}`} aria-label={say.forWhom()}>
        <StringChoice label={say.reader()} choices={READERS} chosen={reader} onChoose={onReader} />
        <p className={css.note}>{say.writtenFromYourRecordsChange()}</p>
        <div className={css.papers}>
          <WordChoice label={say.paper()} choices={PAPERS} chosen={paper} onChoose={setPaper} />
          <button
            type="button"
            className={touch.word}
            onClick={() => {
              forgetEdits(shelf);
              setEdits(keptEdits(shelf, drafts));
            }}
          >
            {say.beginAnewFromTheRecords()}
          </button>
        </div>
        {make.error && (
          <p role="alert" className={css.note}>
            {make.error.message}
          </p>
        )}
        {make.isSuccess && (
          <p role="note" className={css.note}>
            {say.thePdfIsAmongYour()}
          </p>
        )}
      </section>
      <div className={screen.foot}>
        <div>
          <p className="quiet">{say.oneLetter({ count: letters.length })}</p>
          <strong className={css.whom}>{listed(letters.map((each) => each.name))}</strong>
        </div>
        <NextAction isNext disabled={make.isPending} onClick={() => make.mutate()}>
          {say.makeThePdf()}
        </NextAction>
      </div>
    </div>
  );
}

function toldOf({ player, title, paragraphs, picture }: EditedLetter): Schemas['LetterIn'] {
  return { player, title, paragraphs, picture };
}

function save(pdf: Blob, name: string) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(pdf);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
