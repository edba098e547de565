import { Button, NativeSelect, NumberInput, Switch } from '@mantine/core';

import { type Schemas } from '../api/client';
import css from './LibraryPage.module.css';

export type Wanted = Schemas['DrillIn'];

const STRINGS = [
  { value: '', label: 'the usual one' },
  { value: '3', label: 'I, the highest' },
  { value: '2', label: 'II' },
  { value: '1', label: 'III' },
  { value: '0', label: 'IV, the lowest' },
];

const WEAK = [
  { value: '', label: 'nothing in particular' },
  ...[1, 2, 3, 4].map((f) => ({ value: String(f), label: `finger ${f}` })),
  ...[
    [1, 2],
    [2, 3],
    [3, 4],
    [2, 4],
  ].map(([a, b]) => ({ value: `${a}-${b}`, label: `fingers ${a} and ${b}` })),
];

const DIFFICULTY = [
  { value: '1', label: 'easy' },
  { value: '2', label: 'middling' },
  { value: '3', label: 'hard' },
];

export function Settings({
  wanted,
  choices,
  onChange,
}: {
  wanted: Wanted;
  choices: Schemas['DrillChoicesOut'];
  onChange: (change: Partial<Wanted>) => void;
}) {
  const drills = choices.drills.filter((d) => d.instruments.includes(wanted.instrument));
  const weak = wanted.low ? `${wanted.low}-${wanted.high}` : String(wanted.finger ?? '');
  return (
    <div className={css.settings}>
      <NativeSelect
        label="Drill"
        data={drills.map((d) => ({ value: d.id, label: d.title }))}
        value={wanted.drill}
        onChange={(event) => onChange({ drill: event.currentTarget.value })}
      />
      <NativeSelect
        label="Position"
        data={(choices.positions[wanted.instrument] ?? []).map((p) => ({
          value: String(p),
          label: p === 0 ? 'half' : String(p),
        }))}
        value={String(wanted.position)}
        onChange={(event) => onChange({ position: Number(event.currentTarget.value) })}
      />
      <NativeSelect
        label="Hand"
        data={choices.frames[wanted.instrument] ?? []}
        value={wanted.frame ?? ''}
        onChange={(event) => onChange({ frame: event.currentTarget.value })}
      />
      <NativeSelect
        label="String"
        data={STRINGS}
        value={wanted.string == null ? '' : String(wanted.string)}
        onChange={(event) => {
          const value = event.currentTarget.value;
          onChange({ string: value === '' ? null : Number(value) });
        }}
      />
      <NativeSelect
        label="What is weak"
        data={WEAK}
        value={weak}
        onChange={(event) => onChange(weakOf(event.currentTarget.value))}
      />
      <NativeSelect
        label="Difficulty"
        data={DIFFICULTY}
        value={String(wanted.difficulty)}
        onChange={(event) => onChange({ difficulty: Number(event.currentTarget.value) })}
      />
      <NumberInput
        label="Notes a minute"
        min={20}
        max={500}
        step={4}
        value={wanted.tempo ?? 60}
        onChange={(value) => typeof value === 'number' && onChange({ tempo: value })}
      />
      <NumberInput
        label="Bars"
        min={1}
        max={32}
        placeholder="as usual"
        value={wanted.bars ?? ''}
        onChange={(value) => onChange({ bars: typeof value === 'number' ? value : null })}
      />
      <Switch
        size="md"
        label="A bar of rest after each"
        checked={wanted.rests ?? false}
        onChange={(event) => onChange({ rests: event.currentTarget.checked })}
      />
      <Button variant="default" onClick={() => onChange({ seed: (wanted.seed ?? 1) + 1 })}>
        Another one
      </Button>
    </div>
  );
}

/** Settings that another instrument does not have go back to its usual ones. */
export function fitting(wanted: Wanted, choices: Schemas['DrillChoicesOut'] | undefined): Wanted {
  const frames = choices?.frames[wanted.instrument] ?? [];
  const positions = choices?.positions[wanted.instrument] ?? [];
  const drills = choices?.drills.filter((d) => d.instruments.includes(wanted.instrument)) ?? [];
  const usual = { ...wanted };
  if (!drills.some((d) => d.id === wanted.drill)) usual.drill = 'frame_pattern';
  if (!positions.includes(wanted.position ?? 1)) usual.position = 1;
  if (frames[0] !== undefined && !frames.includes(wanted.frame ?? '')) usual.frame = frames[0];
  return usual;
}

function weakOf(value: string): Partial<Wanted> {
  const [low, high] = value.split('-').map(Number);
  if (value === '' || low === undefined) return { finger: null, low: null, high: null };
  return high === undefined ? { finger: low, low: null, high: null } : { finger: null, low, high };
}
