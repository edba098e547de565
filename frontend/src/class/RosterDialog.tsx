import { Button, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation } from 'wouter';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { Dialog } from '../components/Dialog';
import { INSTRUMENT_WORDS } from '../words/words';
import { TakeFile } from '../components/TakeFile';
import css from './RosterDialog.module.css';
import * as say from '../messages/compiled/class';
import { beside } from '../words/lists';

const COLUMN_WORDS: Record<string, string> = {
  name: 'name',
  instrument: 'instrument',
  birth_year: say.yearOfBirth(),
  level: 'level',
  lesson: say.lessonTime(),
};

/** A whole class from a pasted list or a CSV file; it says what each line will do before it does. */
export function RosterDialog({ onClose }: { onClose: () => void }) {
  return (
    <Dialog opened onClose={onClose} title={say.bringInAClass()} wide>
      <RosterForm onClose={onClose} />
    </Dialog>
  );
}

function RosterForm({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState('');
  const [name, setName] = useState('');
  const [, navigate] = useLocation();
  const cache = useQueryClient();
  const look = useMutation({
    mutationFn: async (list: string) =>
      unwrap(await client.POST('/api/groups/roster/look', { body: { text: list, name: '' } })),
  });
  const bring = useMutation({
    mutationFn: async () =>
      unwrap(await client.POST('/api/groups/roster', { body: { text, name } })),
    onSuccess: async (group) => {
      await cache.invalidateQueries();
      onClose();
      navigate(`/class/${group.id}`);
    },
  });
  const change = (list: string) => {
    setText(list);
    look.reset();
    bring.reset();
  };
  const rows = look.data ?? [];
  const isGood = rows.length > 0 && rows.every((row) => Object.keys(row.problems).length === 0);
  const isReady = isGood && name.trim() !== '';
  return (
    <form
      className={css.form}
      onSubmit={(event) => {
        event.preventDefault();
        if (isReady) bring.mutate();
        else look.mutate(text);
      }}
    >
      <TextInput
        label={say.nameOfTheGroup()}
        maxLength={80}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <label className={css.list}>
        {say.aPlayerALineName()}
        <textarea
          placeholder={say.adaLindtViolin2016Bo()}
          rows={6}
          value={text}
          onChange={(event) => change(event.currentTarget.value)}
        />
      </label>
      {[look.error, bring.error].map(
        (error) =>
          error && (
            <p key={error.message} role="alert">
              {wordsOf(error)}
            </p>
          ),
      )}
      {rows.length > 0 && <Preview rows={rows} />}
      <div className={css.actions}>
        <TakeFile
          isQuiet
          accept=".csv,.txt,text/csv,text/plain"
          onFile={(file) => void file.text().then(change)}
        >
          {say.fromACsvFile()}
        </TakeFile>
        <Button
          variant={isGood ? 'default' : 'filled'}
          disabled={text.trim() === ''}
          loading={look.isPending}
          onClick={() => look.mutate(text)}
        >
          {say.seeWhatItWillDo()}
        </Button>
        {isGood && (
          <Button type="submit" disabled={!isReady} loading={bring.isPending}>
            {say.bringInPlayer({ count: rows.length })}
          </Button>
        )}
      </div>
    </form>
  );
}

function Preview({ rows }: { rows: Schemas['RosterRowOut'][] }) {
  return (
    <table className={css.rows}>
      <thead>
        <tr>
          <th scope="col">{say.line()}</th>
          <th scope="col">{say.player()}</th>
          <th scope="col">{say.whatItDoes()}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.line}>
            <td>{row.line}</td>
            <td>
              {beside([
                row.name,
                INSTRUMENT_WORDS[row.instrument] ?? row.instrument,
                row.birth_year ? say.born({ year: row.birth_year }) : null,
                row.lesson,
              ])}
            </td>
            <td>{whatItDoes(row)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function whatItDoes({ problems, is_known }: Schemas['RosterRowOut']) {
  const told = Object.entries(problems);
  if (told.length > 0) {
    const words = told.map(([column, problem]) => `${COLUMN_WORDS[column] ?? column}: ${problem}`);
    return <strong>{words.join('; ')}</strong>;
  }
  return is_known ? say.isHereAlreadyJoinsThe() : say.aNewPlayer();
}

function wordsOf(error: Error): string {
  if (!(error instanceof ApiError)) return say.noConnectionToJolfTry();
  const [first] = error.fields;
  return first ? `${first.field}: ${first.problem}` : error.message;
}
