import { Button } from '@mantine/core';
import { useRef, useState } from 'react';

import { BarField } from './BarField';
import css from './PiecePage.module.css';
import { type Passage, printed, type Tell } from '../pieces/pieces';
import * as say from '../messages/compiled/piece';
import { Rich } from '../messages/Rich';

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
            <Rich
              says={say.barsToAreThisPlayers({
                first: printed(passage, first),
                last: printed(passage, last),
              })}
            />
          </>
        ) : (
          say.nothingOfThisPieceYet({ mostWeek: passage.most_week })
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
          label={say.weekFirstBar()}
          whole={passage.whole}
          value={from}
          onChange={(value) => setEdit({ ...edit, first: value })}
        />
        <BarField
          label={say.weekLastBar()}
          whole={passage.whole}
          value={to}
          onChange={(value) => setEdit({ ...edit, last: value })}
        />
        <Button ref={into} type="submit" size="md" loading={isBusy}>
          {say.theseBarsIntoTheWeek()}
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
            {say.takeItOutOfThe()}
          </Button>
        )}
      </form>
    </>
  );
}
