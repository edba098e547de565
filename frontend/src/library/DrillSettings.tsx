import { Button, NativeSelect, NumberInput, Switch } from '@mantine/core';

import { type Schemas } from '../api/client';
import css from './LibraryPage.module.css';
import * as say from '../messages/compiled/library';

export type Wanted = Schemas['DrillIn'];

const STRINGS = [
  { value: '', label: say.theUsualOne() },
  { value: '3', label: say.iTheHighest() },
  { value: '2', label: 'II' },
  { value: '1', label: 'III' },
  { value: '0', label: say.ivTheLowest() },
];

const WEAK = [
  { value: '', label: say.nothingInParticular() },
  ...[1, 2, 3, 4].map((f) => ({ value: String(f), label: say.finger({ f }) })),
  ...(
    [
      [1, 2],
      [2, 3],
      [3, 4],
      [2, 4],
    ] as const
  ).map(([a, b]) => ({ value: `${a}-${b}`, label: say.fingersAnd({ a, b }) })),
];

const DIFFICULTY = [
  { value: '1', label: say.easy() },
  { value: '2', label: say.middling() },
  { value: '3', label: say.hard() },
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
        label={say.drill()}
        data={drills.map((d) => ({ value: d.id, label: d.title }))}
        value={wanted.drill}
        onChange={(event) => onChange({ drill: event.currentTarget.value })}
      />
      {choices.drills.find((d) => d.id === wanted.drill)?.takes_tune && (
        <NativeSelect
          label={say.tune()}
          data={[
            { value: '', label: say.oneThatFits() },
            ...choices.tunes
              .filter((t) => t.instruments.includes(wanted.instrument))
              .map((tune) => ({ value: tune.id, label: tune.title })),
          ]}
          value={wanted.tune ?? ''}
          onChange={(event) => onChange({ tune: event.currentTarget.value || null })}
        />
      )}
      <NativeSelect
        label={say.position()}
        data={(choices.positions[wanted.instrument] ?? []).map((p) => ({
          value: String(p),
          label: p === 0 ? say.half() : String(p),
        }))}
        value={String(wanted.position)}
        onChange={(event) => onChange({ position: Number(event.currentTarget.value) })}
      />
      <NativeSelect
        label={say.hand()}
        data={[
          ...(wanted.tune ? [{ value: '', label: say.asItFits() }] : []),
          ...(choices.frames[wanted.instrument] ?? []),
        ]}
        value={wanted.frame ?? ''}
        onChange={(event) => onChange({ frame: event.currentTarget.value || null })}
      />
      <NativeSelect
        label={say.string()}
        data={STRINGS}
        value={wanted.string == null ? '' : String(wanted.string)}
        onChange={(event) => {
          const value = event.currentTarget.value;
          onChange({ string: value === '' ? null : Number(value) });
        }}
      />
      <NativeSelect
        label={say.whatIsWeak()}
        data={WEAK}
        value={weak}
        onChange={(event) => onChange(weakOf(event.currentTarget.value))}
      />
      <NativeSelect
        label={say.difficulty()}
        data={DIFFICULTY}
        value={String(wanted.difficulty)}
        onChange={(event) => onChange({ difficulty: Number(event.currentTarget.value) })}
      />
      <NumberInput
        label={say.notesAMinute()}
        min={20}
        max={500}
        step={4}
        value={wanted.tempo ?? 60}
        onChange={(value) => typeof value === 'number' && onChange({ tempo: value })}
      />
      <NumberInput
        label={say.bars()}
        min={1}
        max={32}
        placeholder={say.asUsual()}
        value={wanted.bars ?? ''}
        onChange={(value) => onChange({ bars: typeof value === 'number' ? value : null })}
      />
      <Switch
        size="md"
        label={say.aBarOfRestAfter()}
        checked={wanted.rests ?? false}
        onChange={(event) => onChange({ rests: event.currentTarget.checked })}
      />
      <Button variant="default" onClick={() => onChange({ seed: (wanted.seed ?? 1) + 1 })}>
        {say.anotherOne()}
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
  if (!drills.find((d) => d.id === usual.drill)?.takes_tune) usual.tune = null;
  if (!positions.includes(wanted.position ?? 1)) usual.position = 1;
  // A tune takes the frame under which it lies, until one is asked for.
  const isFree = usual.tune != null && wanted.frame == null;
  if (frames[0] !== undefined && !isFree && !frames.includes(wanted.frame ?? '')) {
    usual.frame = frames[0];
  }
  return usual;
}

function weakOf(value: string): Partial<Wanted> {
  const [low, high] = value.split('-').map(Number);
  if (value === '' || low === undefined) return { finger: null, low: null, high: null };
  return high === undefined ? { finger: low, low: null, high: null } : { finger: null, low, high };
}
