import { type SyntheticEvent, useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';
import { notesQuery } from '../api/queries';
import { shortDate } from '../words/words';
import field from './field.module.css';
import css from './OwnNotes.module.css';
import { SureButton } from './SureButton';
import touch from './touch.module.css';
import * as say from '../messages/compiled/components';
import { Rich } from '../messages/Rich';

type Note = Schemas['NoteOut'];

interface Props {
  playerId: number;
  /** In a lesson: what is open for it, or a line for the next one. */
  part?: 'open' | 'write';
}

/** Lines to oneself: for next time, and of talks. They stand on no sheet and no phone. */
export function OwnNotes({ playerId, part }: Props) {
  const notes = useNotes(playerId);
  const open = notes.all.filter((note) => note.kind === 'next' && note.done_on === null);
  const shown = { open, write: [], all: notes.all }[part ?? 'all'];
  if (part === 'open' && open.length === 0) return null;
  return (
    <section className={css.notes} aria-label={say.toYourself()}>
      {part && <h2>{part === 'open' ? say.toYourselfFromLastTime() : say.forNextTime()}</h2>}
      {shown.length > 0 && (
        <ul>
          {shown.map((note) => (
            <Line key={note.id} note={note} isBrief={part !== undefined} notes={notes} />
          ))}
        </ul>
      )}
      {part !== 'open' && <Write notes={notes} isBrief={part !== undefined} />}
      {notes.problem && <p role="alert">{notes.problem}</p>}
    </section>
  );
}

type Notes = ReturnType<typeof useNotes>;

function useNotes(playerId: number) {
  const query = notesQuery(playerId);
  const cache = useQueryClient();
  const keep = (left: Note[]) => cache.setQueryData(query.queryKey, left);
  const path = (id: number) => ({ params: { path: { player_id: playerId, note_id: id } } });
  const write = useMutation({
    mutationFn: async (body: Schemas['NoteIn']) =>
      unwrap(
        await client.POST('/api/players/{player_id}/notes', {
          params: { path: { player_id: playerId } },
          body,
        }),
      ),
    onSuccess: keep,
  });
  const settle = useMutation({
    mutationFn: async ({ id, done }: { id: number; done: boolean }) =>
      unwrap(
        await client.POST('/api/players/{player_id}/notes/{note_id}', {
          ...path(id),
          body: { done },
        }),
      ),
    onSuccess: keep,
  });
  const remove = useMutation({
    mutationFn: async (id: number) =>
      unwrap(await client.DELETE('/api/players/{player_id}/notes/{note_id}', path(id))),
    onSuccess: keep,
  });
  const problem = write.error ?? settle.error ?? remove.error;
  return { all: useQuery(query).data ?? [], write, settle, remove, problem: problem?.message };
}

function Line({ note, isBrief, notes }: { note: Note; isBrief: boolean; notes: Notes }) {
  const isOpen = note.kind === 'next' && note.done_on === null;
  return (
    <li data-open={isOpen || undefined}>
      <span>
        <strong>{note.text}</strong>
        <small>
          {note.kind === 'next'
            ? say.forNextTimeOfOn({ on: shortDate(note.on) })
            : say.aTalk({ on: shortDate(note.on) })}
          {note.done_on && ` · ${say.done({ on: shortDate(note.done_on) })}`}
        </small>
      </span>
      {note.kind === 'next' && (
        <button
          type="button"
          className={touch.word}
          onClick={() => notes.settle.mutate({ id: note.id, done: isOpen })}
        >
          <Rich
            says={isOpen ? say.doneWith({ text: note.text }) : say.openAgain({ text: note.text })}
            as={{ span: (words) => <span className="sr-only">{words}</span> }}
          />
        </button>
      )}
      {!isBrief && (
        <SureButton
          sure={say.yesRemove()}
          of={note.text}
          onSure={() => notes.remove.mutate(note.id)}
        >
          {say.remove()}
        </SureButton>
      )}
    </li>
  );
}

/** What was typed stays until it is kept. */
function Write({ notes, isBrief }: { notes: Notes; isBrief: boolean }) {
  const [text, setText] = useState('');
  const [kind, setKind] = useState<Schemas['NoteIn']['kind']>('next');
  function submit(event: SyntheticEvent) {
    event.preventDefault();
    if (text.trim() !== '') {
      notes.write.mutate({ kind, text, on: null }, { onSuccess: () => setText('') });
    }
  }
  return (
    <form className={css.write} onSubmit={submit}>
      {!isBrief && (
        <select
          aria-label={say.whatKindOfNote()}
          className={field.field}
          value={kind}
          onChange={(event) => setKind(event.currentTarget.value === 'talk' ? 'talk' : 'next')}
        >
          <option value="next">{say.forNextTime()}</option>
          <option value="talk">{say.aTalkWithAParent()}</option>
        </select>
      )}
      <input
        aria-label={kind === 'next' ? say.aLineForNextTime() : say.whatWasTalkedAbout()}
        placeholder={kind === 'next' ? say.aLineForNextTime() : say.whatWasTalkedAbout()}
        className={field.field}
        maxLength={600}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
      />
      <button type="submit" className={touch.button} disabled={text.trim() === ''}>
        {say.keepIt()}
      </button>
    </form>
  );
}
