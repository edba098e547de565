import { Button } from '@mantine/core';
import { useState } from 'react';

import field from '../components/field.module.css';
import { BarField } from './BarField';
import css from './PiecePage.module.css';
import { type Passage, printed, type Tell } from '../pieces/pieces';
import * as say from '../messages/compiled/piece';

interface Props {
  passage: Passage;
  tell: Tell;
}

/** Which part, which bars, at what tempo. */
export function PieceSettings({ passage, tell }: Props) {
  const [edit, setEdit] = useState<{ first?: string; last?: string; tempo?: string }>({});
  const first = edit.first ?? String(passage.first);
  const last = edit.last ?? String(passage.last);
  const tempo = edit.tempo ?? (passage.tempo === null ? '' : String(passage.tempo));
  const done = () => setEdit({});
  return (
    <form
      className={css.fields}
      onSubmit={(event) => {
        event.preventDefault();
        const goal = tempo.trim() === '' ? null : Number(tempo);
        tell({ first: Number(first), last: Number(last), tempo: goal }, done);
      }}
    >
      {passage.parts.length > 1 && (
        <label>
          {say.part()}
          <select
            className={field.field}
            value={passage.part}
            onChange={(event) => tell({ part: event.currentTarget.value }, done)}
          >
            {passage.parts.map((part) => (
              <option key={part.id} value={part.id}>
                {part.name}
              </option>
            ))}
          </select>
        </label>
      )}
      <BarField
        label={say.fromBar()}
        whole={passage.whole}
        value={first}
        onChange={(value) => setEdit({ ...edit, first: value })}
      />
      <BarField
        label={say.toBarOf({ whole: passage.whole })}
        whole={passage.whole}
        value={last}
        onChange={(value) => setEdit({ ...edit, last: value })}
      />
      <label>
        {say.goal()}
        <input
          className={field.field}
          type="number"
          min={10}
          max={400}
          value={tempo}
          placeholder={say.asWritten()}
          onChange={(event) => setEdit({ ...edit, tempo: event.currentTarget.value })}
        />
      </label>
      <Button type="submit" variant="default" size="md">
        {say.lookThere()}
      </Button>
      {printed(passage, passage.first) !== String(passage.first) && (
        <p className="quiet">
          {say.countedFromTheFirstBar({
            first: passage.first,
            first2: printed(passage, passage.first),
          })}
        </p>
      )}
    </form>
  );
}
