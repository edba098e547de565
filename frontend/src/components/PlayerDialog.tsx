import '@mantine/core/styles/FloatingIndicator.css';
import '@mantine/core/styles/SegmentedControl.css';
import '@mantine/core/styles/NumberInput.css';
import '@mantine/core/styles/Checkbox.css';
import { Button, NativeSelect, NumberInput, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation } from 'wouter';

import { ApiError, client, unwrap } from '../api/client';
import { playerQuery } from '../api/queries';
import { INSTRUMENT_WORDS } from '../words/words';
import { Dialog } from './Dialog';
import { AtHome, type Facts, Optional } from './PlayerAtHome';
import css from './PlayerDialog.module.css';
import * as say from '../messages/compiled/components';

const NOBODY: Facts = {
  name: '',
  instrument: 'vn',
  level: 'beginner',
  piece: '',
  birth_year: null,
  daily_minutes: null,
  hours_a_day: 0.5,
  helper_at_home: null,
  weekday: null,
  lesson_time: null,
  missing: [],
  self_check: false,
  is_practice: false,
};

const WEEKDAYS = [
  say.monday(),
  say.tuesday(),
  say.wednesday(),
  say.thursday(),
  say.friday(),
  say.saturday(),
  say.sunday(),
];

interface Props {
  opened: boolean;
  onClose: () => void;
  /** The player to change; null adds a new one. */
  player: { id: number; facts: Facts } | null;
}

/** A player's facts. Only name and instrument are needed. */
export function PlayerDialog({ opened, onClose, player }: Props) {
  return (
    <Dialog
      opened={opened}
      onClose={onClose}
      title={player ? say.about({ name: player.facts.name }) : say.newPlayer()}
      wide
    >
      <PlayerForm player={player} onClose={onClose} />
    </Dialog>
  );
}

function PlayerForm({ player, onClose }: Omit<Props, 'opened'>) {
  const [facts, setFacts] = useState<Facts>(player?.facts ?? NOBODY);
  const cache = useQueryClient();
  const [, navigate] = useLocation();
  const save = useMutation({
    mutationFn: async () =>
      unwrap(
        player
          ? await client.POST('/api/players/{player_id}', {
              params: { path: { player_id: player.id } },
              body: facts,
            })
          : await client.POST('/api/players', { body: facts }),
      ),
    onSuccess: (saved) => {
      cache.setQueryData(playerQuery(saved.player.id).queryKey, saved);
      void cache.invalidateQueries({ queryKey: ['today'] });
      onClose();
      navigate(`/players/${saved.player.id}`);
    },
  });
  const set = (change: Partial<Facts>) => setFacts({ ...facts, ...change });
  const wrong = save.error instanceof ApiError ? save.error.fields : [];
  const problem = (name: string) => wrong.find((each) => each.field === name)?.problem;
  return (
    <form
      className={css.form}
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      {save.error && wrong.length === 0 && <p role="alert">{save.error.message}</p>}
      <WhoFields facts={facts} set={set} problem={problem} />
      <PlayingFields facts={facts} set={set} problem={problem} />
      <AtHome facts={facts} onChange={set} />
      <Button type="submit" loading={save.isPending}>
        {say.keep()}
      </Button>
    </form>
  );
}

interface FieldsProps {
  facts: Facts;
  set: (change: Partial<Facts>) => void;
  problem: (name: string) => string | undefined;
}

/** Who it is. */
function WhoFields({ facts, set, problem }: FieldsProps) {
  return (
    <>
      <TextInput
        label={say.name()}
        value={facts.name}
        error={problem('name')}
        onChange={(event) => set({ name: event.currentTarget.value })}
        data-autofocus
      />
      <NativeSelect
        label={say.instrument()}
        value={facts.instrument}
        error={problem('instrument')}
        data={Object.entries(INSTRUMENT_WORDS).map(([value, label]) => ({ value, label }))}
        onChange={(event) => set({ instrument: event.currentTarget.value })}
      />
      <NativeSelect
        label={say.level()}
        value={facts.level}
        error={problem('level')}
        data={[
          { value: 'beginner', label: say.beginner() },
          { value: 'intermediate', label: say.intermediate() },
          { value: 'advanced', label: say.advanced() },
        ]}
        onChange={(event) => set({ level: event.currentTarget.value })}
      />
      <Optional
        label={say.yearOfBirth()}
        value={facts.birth_year ?? null}
        error={problem('birth_year')}
        onChange={(value) => set({ birth_year: value })}
      />
    </>
  );
}

/** When the lesson is, and what is played how much. */
function PlayingFields({ facts, set, problem }: FieldsProps) {
  return (
    <>
      <NativeSelect
        label={say.dayOfTheLesson()}
        value={facts.weekday == null ? '' : String(facts.weekday)}
        error={problem('weekday')}
        data={[
          { value: '', label: say.noDay() },
          ...WEEKDAYS.map((label, index) => ({ value: String(index), label })),
        ]}
        onChange={({ currentTarget: { value } }) =>
          set({ weekday: value === '' ? null : Number(value) })
        }
      />
      <TextInput
        label={say.timeOfTheLesson()}
        type="time"
        value={facts.lesson_time ?? ''}
        error={problem('lesson_time')}
        onChange={(event) => set({ lesson_time: event.currentTarget.value || null })}
      />
      <TextInput
        label={say.pieceNow()}
        value={facts.piece ?? ''}
        error={problem('piece')}
        onChange={(event) => set({ piece: event.currentTarget.value })}
      />
      <NumberInput
        label={say.hoursOfPlayingADay()}
        value={facts.hours_a_day ?? 0}
        error={problem('hours_a_day')}
        step={0.5}
        onChange={(value) => set({ hours_a_day: typeof value === 'number' ? value : 0 })}
      />
      <Optional
        label={say.minutesADayForThis()}
        description={say.leftEmptyFiveToFifteen()}
        value={facts.daily_minutes ?? null}
        error={problem('daily_minutes')}
        onChange={(value) => set({ daily_minutes: value })}
      />
    </>
  );
}
