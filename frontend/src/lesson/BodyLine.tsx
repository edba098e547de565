import { Button, Textarea } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { Dialog } from '../components/Dialog';
import touch from '../components/touch.module.css';
import { GRADE_WORDS, shortDate } from '../words/words';
import css from './BodyLine.module.css';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

type Fact = Schemas['BodyFactOut'];

interface Props {
  handle: LessonHandle;
  /** Goes on to where the span is measured. */
  onMeasure: () => void;
}

/** What is known of the body from earlier lessons, in one line; each fact opens to be measured
    again or lifted. */
export function BodyLine({ handle, onMeasure }: Props) {
  const [opened, setOpened] = useState<string | null>(null);
  const { body } = handle.lesson;
  if (body.length === 0) return null;
  const fact = body.find((each) => each.fact === opened);
  return (
    <p className={css.line}>
      {body.map((each) => (
        <button
          key={each.fact}
          type="button"
          className={touch.word}
          onClick={() => setOpened(each.fact)}
        >
          {each.says}, {shortDate(each.on)}
          {each.limits && `: ${each.limits}`}
          {each.is_due && ` (${say.aYearAgoLookAgain()})`}
        </button>
      ))}
      {fact && (
        <FactDialog
          fact={fact}
          handle={handle}
          onMeasure={onMeasure}
          onClose={() => setOpened(null)}
        />
      )}
    </p>
  );
}

function FactDialog({
  fact,
  handle,
  onMeasure,
  onClose,
}: Props & {
  fact: Fact;
  onClose: () => void;
}) {
  const { lesson, enter } = handle;
  return (
    <Dialog opened onClose={onClose} title={fact.says}>
      {fact.kind === 'span' && <Button onClick={onMeasure}>{say.measureItAgain()}</Button>}
      {fact.kind === 'ruled_out' && (
        <>
          <p>{say.itStaysOutUntilA()}</p>
          <Button
            variant="default"
            onClick={() => {
              enter('cause', fact.fact, { word: 'open' });
              onClose();
            }}
          >
            {say.itMayBeThisAfter()}
          </Button>
        </>
      )}
      {fact.kind === 'sign' && (
        <div className={css.again}>
          <p>{say.lookedAtAgainToday()}</p>
          <div className={css.grades}>
            {GRADE_WORDS.map((word, grade) => (
              <button
                key={word}
                type="button"
                className={touch.button}
                aria-pressed={lesson.findings[fact.fact]?.grade === grade}
                onClick={() => {
                  enter('observation', fact.fact, grade as 0 | 1 | 2 | 3);
                  onClose();
                }}
              >
                {word}
              </button>
            ))}
          </div>
        </div>
      )}
      {fact.kind === 'injury' && (
        <NoteForm
          playerId={lesson.player.id}
          fact={fact.fact}
          word="limits"
          label={say.whatADoctorOrPhysiotherapist()}
          button={say.keepTheLimits()}
          onDone={onClose}
        />
      )}
      {(fact.kind === 'sign' || fact.kind === 'injury') && (
        <NoteForm
          playerId={lesson.player.id}
          fact={fact.fact}
          word="lifted"
          label={say.itHoldsNoMoreWhat()}
          button={say.liftItWithThisNote()}
          onDone={onClose}
        />
      )}
    </Dialog>
  );
}

interface NoteProps {
  playerId: number;
  fact: string;
  word: 'lifted' | 'limits';
  label: string;
  button: string;
  onDone: () => void;
}

function NoteForm({ playerId, fact, word, label, button, onDone }: NoteProps) {
  const [note, setNote] = useState('');
  const cache = useQueryClient();
  const keep = useMutation({
    mutationFn: async () =>
      unwrap(
        await client.POST('/api/players/{player_id}/body', {
          params: { path: { player_id: playerId } },
          body: { fact, word, note },
        }),
      ),
    onSuccess: async () => {
      onDone();
      await cache.invalidateQueries();
    },
  });
  const problem = keep.error instanceof ApiError ? keep.error.fields[0]?.problem : undefined;
  return (
    <form
      className={css.note}
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate();
      }}
    >
      <Textarea
        label={label}
        value={note}
        onChange={(event) => setNote(event.currentTarget.value)}
        error={keep.error ? (problem ?? keep.error.message) : undefined}
        autosize
        minRows={2}
      />
      <Button type="submit" variant="default" loading={keep.isPending}>
        {button}
      </Button>
    </form>
  );
}
