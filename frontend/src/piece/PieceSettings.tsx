import { Button } from '@mantine/core';
import { useState } from 'react';

import field from '../components/field.module.css';
import { BarField } from './BarField';
import css from './PiecePage.module.css';
import { type Passage, printed, type Tell } from '../pieces/pieces';

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
          Part
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
        label="From bar"
        whole={passage.whole}
        value={first}
        onChange={(value) => setEdit({ ...edit, first: value })}
      />
      <BarField
        label={`to bar (of ${passage.whole})`}
        whole={passage.whole}
        value={last}
        onChange={(value) => setEdit({ ...edit, last: value })}
      />
      <label>
        Goal, ♩ =
        <input
          className={field.field}
          type="number"
          min={10}
          max={400}
          value={tempo}
          placeholder="as written"
          onChange={(event) => setEdit({ ...edit, tempo: event.currentTarget.value })}
        />
      </label>
      <Button type="submit" variant="default" size="md">
        Look there
      </Button>
      {printed(passage, passage.first) !== String(passage.first) && (
        <p className="quiet">
          Counted from the first bar in the file: {passage.first} here is printed{' '}
          {printed(passage, passage.first)}.
        </p>
      )}
    </form>
  );
}
