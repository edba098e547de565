import { Button, NativeSelect } from '@mantine/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'wouter';

import { client, type Schemas, unwrap } from '../api/client';
import { lettersQuery } from '../api/queries';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import { LetterForm } from './LetterForm';
import css from './LettersPage.module.css';
import {
  type EditedLetter,
  type Edits,
  forgetEdits,
  keepEdits,
  keptEdits,
} from '../outbox/letterEdits';

export type Reader = Schemas['Reader'];

const READERS: [Reader, string, string][] = [
  ['parent', 'A parent', 'what was worked on, what is better, what comes next'],
  ['colleague', 'A colleague', 'numbers, reasons, what was tried, what to avoid'],
  ['doctor', 'A doctor', 'what was told and when, what was stopped; no opinion'],
];
const PAPERS = [
  { value: 'a4', label: 'A4' },
  { value: 'us-letter', label: 'Letter' },
];

/** Letters about one player or a class: drafted from the records, edited here, then a PDF. */
export function LettersPage() {
  const [params, setParams] = useSearchParams();
  const reader = READERS.find(([id]) => id === params.get('reader'))?.[0] ?? 'parent';
  const players = params.getAll('players').map(Number).filter(Number.isSafeInteger);
  const group = Number(params.get('group')) || null;
  const whom = group === null ? players.join() : `group-${group}`;
  const drafts = useQuery(lettersQuery(reader, players, group));
  if (drafts.error) return <Problem error={drafts.error} onRetry={() => void drafts.refetch()} />;
  return (
    <>
      <PageHead title="Letters" />
      <div className={css.page}>
        <div className={css.readers} role="group" aria-label="For whom">
          {READERS.map(([id, name, about]) => (
            <button
              key={id}
              type="button"
              aria-pressed={id === reader}
              onClick={() => {
                const next = new URLSearchParams(params);
                next.set('reader', id);
                setParams(next, { replace: true });
              }}
            >
              <strong>{name}</strong>
              <span>{about}</span>
            </button>
          ))}
        </div>
        {drafts.data && (
          <Editor key={`${reader}/${whom}`} reader={reader} whom={whom} drafts={drafts.data} />
        )}
      </div>
    </>
  );
}

interface EditorProps {
  reader: Reader;
  whom: string;
  drafts: Schemas['LetterOut'][];
}

function Editor({ reader, whom, drafts }: EditorProps) {
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
  return (
    <>
      <p className="quiet">
        Written from your records. Change every sentence as you would say it; empty ones are left
        out. Nothing is sent from here.
      </p>
      {isOld && (
        <p role="alert">
          Your records have changed since you edited this. What you wrote is kept; begin anew below
          to have the new records.
        </p>
      )}
      {letters.map((letter, at) => (
        <LetterForm
          key={letter.player}
          letter={letter}
          onChange={(next) => change(letters.map((each, n) => (n === at ? next : each)))}
        />
      ))}
      <div className={css.actions}>
        <NativeSelect
          aria-label="Paper"
          data={PAPERS}
          value={paper}
          onChange={(event) => setPaper(event.currentTarget.value as Schemas['Paper'])}
        />
        <Button size="lg" loading={make.isPending} onClick={() => make.mutate()}>
          Make the PDF
        </Button>
        <Button
          variant="subtle"
          onClick={() => {
            forgetEdits(shelf);
            setEdits(keptEdits(shelf, drafts));
          }}
        >
          Begin anew from the records
        </Button>
      </div>
      {make.error && <p role="alert">{make.error.message}</p>}
      {make.isSuccess && <p role="note">The PDF is among your downloads.</p>}
    </>
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
