import '@mantine/core/styles/NumberInput.css';

import { NumberInput } from '@mantine/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { reachQuery } from '../api/queries';
import { WordChoice } from '../components/WordChoice';
import * as say from '../messages/compiled/lesson';
import css from './MeasureEntry.module.css';

type ToPair = Schemas['PairInfo'];
type Unit = 'cents' | 'mm';
type Side = 'before' | 'after';

interface MeasuredPair {
  measured_before: number;
  measured_after: number;
}

interface Props {
  playerId: number;
  pair: ToPair;
  compared: Schemas['ComparedOut'] | null;
  onPair: (pair: MeasuredPair) => void;
}

/** The same note twice, before and after one thing was changed: in cents, or in mm from its place. */
export function PairEntry({ playerId, pair, compared, onPair }: Props) {
  const [unit, setUnit] = useState<Unit>('cents');
  const [typed, setTyped] = useState<Partial<Record<Side, number>>>({});
  const reach = useQuery(reachQuery(playerId)).data;
  const cents = useMutation({
    mutationFn: (mm: number[]) => centsOf(playerId, pair.finger, mm),
    onSuccess: ([before, after]) => {
      if (before !== undefined && after !== undefined) keep(before, after);
    },
  });
  const kept = unit === 'cents' ? compared?.measured : null;
  const shown = { ...kept, ...typed };
  const isMmKnown = String(pair.finger) in (reach?.cents_per_mm ?? {});

  function keep(before: number, after: number) {
    onPair({ measured_before: before, measured_after: after });
  }
  function done() {
    const { before, after } = shown;
    if (Object.keys(typed).length === 0 || before === undefined || after === undefined) return;
    if (unit === 'cents') keep(before, after);
    else cents.mutate([before, after]);
  }
  return (
    <>
      <div className={css.measure} role="group" aria-label={say.measuredTwice()}>
        {(['before', 'after'] as const).map((side) => (
          <NumberInput
            key={`${side} ${unit}`}
            hideControls
            label={say.inUnit({ label: pair[side], unit })}
            value={shown[side] ?? ''}
            onChange={(value) => {
              if (typeof value === 'number') setTyped({ ...typed, [side]: value });
            }}
            onBlur={done}
            onKeyDown={(event) => {
              if (event.key === 'Enter') event.currentTarget.blur();
            }}
          />
        ))}
        {isMmKnown && (
          <WordChoice<Unit>
            className={css.units}
            label={say.measuredIn()}
            choices={[
              { id: 'cents', words: say.cents() },
              { id: 'mm', words: say.mmFromItsPlace() },
            ]}
            chosen={unit}
            onChoose={(chosen) => {
              setUnit(chosen);
              setTyped({});
            }}
          />
        )}
      </div>
      <p className="quiet" role="status">
        {problemOf(cents.error) ?? (compared?.says || say.flatIsLessThanNothing())}
      </p>
    </>
  );
}

function problemOf(error: Error | null): string | null {
  if (error === null) return null;
  const field = error instanceof ApiError ? error.fields[0] : undefined;
  return field?.problem ?? error.message;
}

async function centsOf(playerId: number, finger: number, mm: number[]): Promise<number[]> {
  const { cents } = unwrap(
    await client.GET('/api/players/{player_id}/cents', {
      params: { path: { player_id: playerId }, query: { finger, mm } },
    }),
  );
  return cents;
}
