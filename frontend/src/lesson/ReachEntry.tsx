import { Button, TextInput } from '@mantine/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { reachQuery } from '../api/queries';
import { Dialog } from '../components/Dialog';
import { LazyMeasuring } from '../pictures/LazyMeasuring';
import { reachWords } from '../words/reach';
import css from './MeasureEntry.module.css';
import * as say from '../messages/compiled/lesson';

interface Props {
  player: { id: number; instrument: string };
  /** Percent entered so far, if any. */
  value: number | null;
  onPercent: (percent: number) => void;
}

interface Lengths {
  span: number | null;
  string: number | null;
}

/** The span on a ruler in mm; what the string asks for, and the percent, are worked out. */
export function ReachEntry({ player, value, onPercent }: Props) {
  const playerId = player.id;
  const [picturing, setPicturing] = useState(false);
  const [lengths, setLengths] = useState<Lengths>({ span: null, string: null });
  const known = useQuery(reachQuery(playerId));
  const reach = useMutation({
    mutationFn: (asked: Lengths) => reachOf(playerId, asked),
    onSuccess: ({ percent }) => {
      if (percent !== null && percent !== undefined) onPercent(percent);
    },
  });
  const wrong = reach.error instanceof ApiError ? reach.error.fields : [];
  const problem = (name: string) => wrong.find((each) => each.field === name)?.problem;
  const string = lengths.string ?? known.data?.string_length ?? null;
  const work = () => {
    if (lengths.span !== null && string !== null) reach.mutate({ ...lengths, string });
  };
  return (
    <>
      <div className={css.measure}>
        <Millimetres
          label={say.easySpan()}
          value={lengths.span}
          problem={problem('span')}
          onValue={(span) => setLengths({ ...lengths, span })}
          onDone={work}
        />
        <Millimetres
          label={say.string()}
          value={string}
          problem={problem('string_length')}
          onValue={(length) => setLengths({ ...lengths, string: length })}
          onDone={work}
        />
        <Button
          variant="default"
          disabled={string === null}
          title={string === null ? say.firstGiveTheLengthOf() : undefined}
          onClick={() => setPicturing(true)}
        >
          {say.spanFromAPicture()}
        </Button>
      </div>
      <Dialog
        opened={picturing}
        onClose={() => setPicturing(false)}
        title={say.spanOfFingersOneTo()}
        wide
      >
        <LazyMeasuring
          playerId={playerId}
          asked={{ kind: 'span', instrument: player.instrument, finger: 4, string }}
          onValue={(span) => {
            setLengths({ ...lengths, span });
            if (string !== null) reach.mutate({ span, string });
          }}
          onDone={() => setPicturing(false)}
        />
      </Dialog>
      {string !== null && wrong.length === 0 && (
        <a href={rulerAddress(playerId, lengths.span, string)} target="_blank" rel="noreferrer">
          {say.paperRulerAndTapesAt()}
        </a>
      )}
      <p className="quiet" role="status">
        {wrong.length > 0 ? '' : (reach.error?.message ?? wordsOf(reach.data ?? known.data, value))}
      </p>
    </>
  );
}

function rulerAddress(playerId: number, span: number | null, string: number): string {
  const spanned = span === null ? '' : `&span=${span}`;
  return `/api/players/${playerId}/ruler.pdf?string_length=${string}${spanned}`;
}

interface MillimetresProps {
  label: string;
  value: number | null;
  problem: string | undefined;
  onValue: (value: number | null) => void;
  onDone: () => void;
}

function Millimetres({ label, value, problem, onValue, onDone }: MillimetresProps) {
  return (
    <TextInput
      type="number"
      step="any"
      label={say.mm({ label })}
      value={value ?? ''}
      error={problem}
      onChange={({ currentTarget: { valueAsNumber } }) =>
        onValue(Number.isNaN(valueAsNumber) ? null : valueAsNumber)
      }
      onBlur={onDone}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
      }}
    />
  );
}

async function reachOf(playerId: number, { span, string }: Lengths): Promise<Schemas['ReachOut']> {
  return unwrap(
    await client.GET('/api/players/{player_id}/reach', {
      params: { path: { player_id: playerId }, query: { span, string_length: string } },
    }),
  );
}

function wordsOf(reach: Schemas['ReachOut'] | undefined, value: number | null): string {
  if (!reach) return '';
  const before = value === null ? '' : say.entered({ value });
  const words = reachWords(reach);
  return words || say.spanOfFingersOneToFour({ before });
}
