import { Button } from '@mantine/core';
import { useRef, useState } from 'react';

import { BarField } from './BarField';
import css from './PiecePage.module.css';
import { type Passage, printed, type Tell } from '../pieces/pieces';

interface Props {
  passage: Passage;
  isBusy: boolean;
  tell: Tell;
}

/** The few bars that the week's step into music takes. */
export function ForWeek({ passage, isBusy, tell }: Props) {
  const [edit, setEdit] = useState<{ first?: string; last?: string }>({});
  const into = useRef<HTMLButtonElement>(null);
  const [first, last] = passage.week;
  const usual = passage.week.length > 0 ? passage.week : (passage.worst[0]?.at ?? []);
  const from = edit.first ?? String(usual[0] ?? passage.first);
  const to = edit.last ?? String(usual[1] ?? passage.first);
  const done = () => setEdit({});
  return (
    <>
      <p>
        {first !== undefined && last !== undefined ? (
          <>
            <strong>
              Bars {printed(passage, first)} to {printed(passage, last)}
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
          tell({ week: [Number(from), Number(to)] }, done);
        }}
      >
        <BarField
          label="Week: first bar"
          whole={passage.whole}
          value={from}
          onChange={(value) => setEdit({ ...edit, first: value })}
        />
        <BarField
          label="Week: last bar"
          whole={passage.whole}
          value={to}
          onChange={(value) => setEdit({ ...edit, last: value })}
        />
        <Button ref={into} type="submit" size="md" loading={isBusy}>
          These bars into the week
        </Button>
        {first !== undefined && (
          <Button
            size="md"
            variant="subtle"
            onClick={() => {
              into.current?.focus();
              tell({ week: [] }, done);
            }}
          >
            Take it out of the week
          </Button>
        )}
      </form>
    </>
  );
}
