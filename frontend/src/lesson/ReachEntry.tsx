import { TextInput } from '@mantine/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import css from './MeasureEntry.module.css';

interface Props {
  playerId: number;
  /** Percent entered so far, if any. */
  value: number | null;
  onPercent: (percent: number) => void;
}

interface Lengths {
  span: number | null;
  string: number | null;
}

/** The span on a ruler in mm; what the string asks for, and the percent, are worked out. */
export function ReachEntry({ playerId, value, onPercent }: Props) {
  const [lengths, setLengths] = useState<Lengths>({ span: null, string: null });
  const known = useQuery({
    queryKey: ['reach', playerId],
    queryFn: () => reachOf(playerId, { span: null, string: null }),
  });
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
          label="Easy span"
          value={lengths.span}
          problem={problem('span')}
          onValue={(span) => setLengths({ ...lengths, span })}
          onDone={work}
        />
        <Millimetres
          label="String"
          value={string}
          problem={problem('string_length')}
          onValue={(length) => setLengths({ ...lengths, string: length })}
          onDone={work}
        />
      </div>
      {string !== null && wrong.length === 0 && (
        <a href={rulerAddress(playerId, lengths.span, string)} target="_blank" rel="noreferrer">
          Paper ruler and tapes, at true size (PDF)
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
      label={`${label}, mm`}
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
  const { needed, short_by: short, first_place: place, turn } = reach;
  if (needed === null || needed === undefined) {
    return `Span of fingers one to four, string from nut to bridge. ${before(value)}`;
  }
  const asks = `First position asks for ${needed} mm.`;
  if (short === null || short === undefined) return `${asks} ${before(value)}`;
  if (short <= 0) return `${asks} It fits, with ${-short} mm to spare.`;
  return `${asks} ${short} mm are missing. ${turnWords(turn)} ${placeWords(place)}`;
}

function before(value: number | null): string {
  return value === null ? '' : `Entered: ${value} %.`;
}

function turnWords(turn: Schemas['ReachOut']['turn']): string {
  if (turn === 'enough') return 'A turn of the hand brings that.';
  if (turn === 'perhaps') return 'A wide turn of the hand may bring that.';
  return 'A turn of the hand is not enough.';
}

function placeWords(place: number | null | undefined): string {
  if (place === null || place === undefined) return 'It fits nowhere below the octave.';
  return `It fits with the first finger ${place} semitones above the open string.`;
}
