import '@mantine/core/styles/NumberInput.css';

import { Button, NumberInput, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { reachQuery, setupsQuery } from '../api/queries';
import { Dialog } from './Dialog';
import css from './PlayerDialog.module.css';
import * as say from '../messages/compiled/components';

type Fit = Schemas['SetupIn'];

interface Props {
  playerId: number;
  isHeldUp: boolean;
  /** What was true before, to start from. */
  last: Fit | null;
  onClose: () => void;
}

/** How the instrument is fitted today, and the one thing that was changed. */
export function FitDialog(props: Props) {
  return (
    <Dialog opened onClose={props.onClose} title={say.fitOfTheInstrument()} wide>
      <FitForm {...props} />
    </Dialog>
  );
}

function FitForm({ playerId, isHeldUp, last, onClose }: Props) {
  const [fit, setFit] = useState<Fit>({ ...last, change: '', date: null });
  const [tapes, setTapes] = useState((last?.tapes ?? []).join(' '));
  const [tapesProblem, setTapesProblem] = useState<string | null>(null);
  const cache = useQueryClient();
  const save = useMutation({
    mutationFn: async () =>
      unwrap(
        await client.POST('/api/players/{player_id}/setups', {
          params: { path: { player_id: playerId } },
          body: { ...fit, tapes: wordsOf(tapes).map(numberOf) },
        }),
      ),
    onSuccess: (saved) => {
      cache.setQueryData(setupsQuery(playerId).queryKey, saved);
      void cache.invalidateQueries(reachQuery(playerId));
      onClose();
    },
  });
  const wrong = save.error instanceof ApiError ? save.error.fields : [];
  const problem = (name: string) => wrong.find((each) => each.field === name)?.problem;
  const words = (name: 'size' | 'pad' | 'side' | 'endpin' | 'seat' | 'change', label: string) => (
    <TextInput
      label={label}
      maxLength={name === 'change' ? 200 : 60}
      value={fit[name] ?? ''}
      error={problem(name)}
      onChange={(event) => setFit({ ...fit, [name]: event.currentTarget.value })}
    />
  );
  return (
    <form
      className={css.form}
      onSubmit={(event) => {
        event.preventDefault();
        const noNumber = wordsOf(tapes).find((word) => Number.isNaN(numberOf(word)));
        setTapesProblem(noNumber === undefined ? null : say.isNoNumber({ noNumber }));
        if (noNumber === undefined) save.mutate();
      }}
    >
      {save.error && wrong.length === 0 && <p role="alert">{save.error.message}</p>}
      {words('change', say.whatWasChangedOneThing())}
      {words('size', say.sizeOfTheInstrument())}
      <NumberInput
        label={say.stringLengthMmFromNut()}
        value={fit.string_length ?? ''}
        error={problem('string_length')}
        hideControls
        onChange={(value) =>
          setFit({ ...fit, string_length: typeof value === 'number' ? value : null })
        }
      />
      {isHeldUp ? (
        <>
          {words('pad', say.padOrClothWhichHow())}
          {words('side', say.chinRestWhichSideAnd())}
        </>
      ) : (
        <>
          {words('endpin', say.endpinHowLong())}
          {words('seat', say.seatOrStoolHowHigh())}
        </>
      )}
      <TextInput
        label={say.tapesMmFromTheNut()}
        value={tapes}
        error={tapesProblem ?? problem('tapes')}
        onChange={(event) => setTapes(event.currentTarget.value)}
      />
      <NumberInput
        label={say.weightGIfKnown()}
        value={fit.weight ?? ''}
        error={problem('weight')}
        hideControls
        onChange={(value) => setFit({ ...fit, weight: typeof value === 'number' ? value : null })}
      />
      <Button type="submit" loading={save.isPending}>
        {say.keep()}
      </Button>
    </form>
  );
}

function wordsOf(text: string): string[] {
  return text.split(/[\s;]+/).filter((word) => word !== '');
}

/** A number as it is typed, with a point or a comma. */
function numberOf(word: string): number {
  return Number(word.replace(',', '.'));
}
