import '@mantine/core/styles/NumberInput.css';

import { NumberInput } from '@mantine/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { reachQuery } from '../api/queries';
import { WordChoice } from '../components/WordChoice';
import * as say from '../messages/compiled/lesson';
import css from './MeasureEntry.module.css';

type Unit = 'own' | 'mm';
type Side = 'before' | 'after';
/** As it stands in the fields: a number, or what is not one yet. */
type Typed = Partial<Record<Side, number | string>>;

interface MeasuredPair {
  measured_before: number;
  measured_after: number;
}

interface Props {
  playerId: number;
  pair: Schemas['PairInfo'];
  compared: Schemas['ComparedOut'] | null;
  onPair: (pair: MeasuredPair) => void;
}

/** The same note twice, before and after one thing was changed: in its unit, or in mm from its place. */
export function PairEntry({ playerId, pair, compared, onPair }: Props) {
  const [unit, setUnit] = useState<Unit>('own');
  const [typed, setTyped] = useTyped(compared?.measured ?? null, unit);
  const reach = useQuery(reachQuery(playerId)).data;
  const inUnit = useMutation({
    mutationFn: (mm: number[]) => centsOf(playerId, pair.finger, mm),
    onSuccess: ([before, after]) => keep(before, after),
  });
  const kept = unit === 'own' ? compared?.measured : null;
  const shown = { ...kept, ...typed };
  const isMmKnown = String(pair.finger) in (reach?.cents_per_mm ?? {});

  function keep(before: number | undefined, after: number | undefined) {
    if (before === undefined || after === undefined) return;
    onPair({ measured_before: before, measured_after: after });
  }
  function done() {
    const { before, after } = shown;
    if (Object.keys(typed).length === 0) return;
    if (typeof before !== 'number' || typeof after !== 'number') return;
    if (unit === 'own') keep(before, after);
    else if (inUnit.variables?.[0] !== before || inUnit.variables[1] !== after)
      inUnit.mutate([before, after]);
  }
  return (
    <>
      <div className={css.measure} role="group" aria-label={say.measuredTwice()}>
        {(['before', 'after'] as const).map((side) => (
          <NumberInput
            key={`${side} ${unit}`}
            hideControls
            label={say.inUnit({ label: pair[side], unit: unit === 'own' ? pair.unit : unit })}
            value={shown[side] ?? ''}
            onChange={(value) => setTyped({ ...typed, [side]: value })}
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
              { id: 'own', words: pair.unit },
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
        {problemOf(inUnit.error) ?? (compared?.says || say.flatIsLessThanNothing())}
      </p>
    </>
  );
}

/** What is typed, until it is kept, or until what was kept is taken back. */
function useTyped(measured: Schemas['TwoNumbers'] | null, unit: Unit) {
  const [typed, setTyped] = useState<Typed>({});
  const now = measured && `${measured.before} ${measured.after}`;
  const [before, setBefore] = useState(now);
  if (now !== before) {
    setBefore(now);
    if (unit === 'own' || now === null) setTyped({});
  }
  return [typed, setTyped] as const;
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
