import '@mantine/core/styles/NumberInput.css';
import '@mantine/core/styles/Switch.css';

import { Button, NativeSelect, NumberInput, Switch } from '@mantine/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { drillChoicesQuery } from '../api/queries';
import { Listen } from '../audio/Listen';
import { BarStrip } from '../pieces/BarStrip';
import css from './LibraryPage.module.css';

type Wanted = Schemas['DrillIn'];

const USUAL_DRILL = 'frame_pattern';
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
/** A drill's settings, and at once its picture and its sound; files to take along. */
export function DrillBench({ instrument, drill }: { instrument: string; drill: string | null }) {
  const choices = useQuery(drillChoicesQuery);
  const [settings, setSettings] = useState<Omit<Wanted, 'instrument'>>({
    drill: drill ?? USUAL_DRILL,
    tempo: 60,
    position: 1,
    difficulty: 2,
    seed: 1,
  });
  const wanted = fitting({ ...settings, instrument }, choices.data);
  const music = useQuery({
    queryKey: ['drills', wanted],
    queryFn: async () => unwrap(await client.GET('/api/drills/one', { params: { query: wanted } })),
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (!choices.data) return null;
  const set = (change: Partial<Wanted>) => setSettings({ ...settings, ...change });
  const problem = music.error instanceof ApiError ? music.error.fields[0]?.problem : undefined;
  return (
    <div className={css.bench}>
      <Settings wanted={wanted} choices={choices.data} onChange={set} />
      {music.error ? (
        <p role="alert">This does not go together: {problem ?? music.error.message}.</p>
      ) : (
        music.data && (
          <>
            <Listen
              key={JSON.stringify(wanted)}
              name={music.data.title}
              music={music.data.music}
              notes={music.data.notes}
              tempo={music.data.tempo}
              canAnswer
            />
            {music.data.asks.length > 0 && (
              <>
                <p>
                  <strong>Asks for</strong> {music.data.asks.join('; ')}.
                </p>
                <BarStrip key={music.data.title} bars={music.data.bars} />
              </>
            )}
            <p className={css.files}>
              <a href={`/api/drills/one.musicxml?${query(wanted)}`}>MusicXML file</a>
              <a href={`/api/drills/one.mid?${query(wanted)}`}>MIDI file</a>
            </p>
          </>
        )
      )}
    </div>
  );
}

function Settings({
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
function fitting(wanted: Wanted, choices: Schemas['DrillChoicesOut'] | undefined): Wanted {
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

function query(wanted: Wanted): string {
  const given = Object.entries(wanted).filter(([, value]) => value !== null);
  return new URLSearchParams(given.map(([name, value]) => [name, String(value)])).toString();
}
