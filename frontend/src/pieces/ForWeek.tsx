import { Button } from '@mantine/core';
import { useState } from 'react';

import field from '../components/field.module.css';
import css from './PiecePage.module.css';
import type { Passage, PieceChange } from './pieces';

interface Props {
  passage: Passage;
  isBusy: boolean;
  onChange: (told: PieceChange) => void;
}

/** The few bars that the week's step into music takes. */
export function ForWeek({ passage, isBusy, onChange }: Props) {
  const [first, last] = passage.week;
  const worst = passage.worst[0]?.at ?? [passage.first, passage.first];
  const [from, setFrom] = useState(String(first ?? worst[0]));
  const [to, setTo] = useState(String(last ?? worst[1]));
  const isChosen = first !== undefined;
  return (
    <section>
      <h2>In the week</h2>
      <p role="status">
        {isChosen ? (
          <>
            <strong>
              Bars {first} to {last}
            </strong>{' '}
            are this player’s step into music: in what you give next, on the sheet and on the phone,
            with these fingers and commas.
          </>
        ) : (
          `Nothing of this piece yet. Choose a place above, or up to ${passage.most_week} bars here: the step into music of the next week is then played in it.`
        )}
      </p>
      <form
        className={css.fields}
        onSubmit={(event) => {
          event.preventDefault();
          onChange({ week: [Number(from), Number(to)] });
        }}
      >
        {(
          [
            ['Week: first bar', from, setFrom],
            ['Week: last bar', to, setTo],
          ] as const
        ).map(([label, value, set]) => (
          <label key={label}>
            {label}
            <input
              className={field.field}
              type="number"
              min={1}
              max={passage.whole}
              value={value}
              onChange={(event) => set(event.currentTarget.value)}
            />
          </label>
        ))}
        <Button type="submit" size="md" loading={isBusy}>
          Into the week
        </Button>
        {isChosen && (
          <Button size="md" variant="subtle" onClick={() => onChange({ week: [] })}>
            Take it out of the week
          </Button>
        )}
      </form>
    </section>
  );
}
