import { Button } from '@mantine/core';
import { useState } from 'react';

import field from '../components/field.module.css';
import css from './PiecePage.module.css';
import type { Passage, PieceChange } from './pieces';

interface Props {
  passage: Passage;
  onChange: (told: PieceChange) => void;
}

/** Which part, which bars, at what tempo. */
export function PieceSettings({ passage, onChange }: Props) {
  const [first, setFirst] = useState(String(passage.first));
  const [last, setLast] = useState(String(passage.last));
  const [tempo, setTempo] = useState(passage.tempo === null ? '' : String(passage.tempo));
  return (
    <form
      className={css.fields}
      onSubmit={(event) => {
        event.preventDefault();
        onChange({
          first: Number(first),
          last: Number(last),
          tempo: tempo.trim() === '' ? null : Number(tempo),
        });
      }}
    >
      {passage.parts.length > 1 && (
        <label>
          Part
          <select
            className={field.field}
            value={passage.part}
            onChange={(event) => onChange({ part: event.currentTarget.value })}
          >
            {passage.parts.map((part) => (
              <option key={part.id} value={part.id}>
                {part.name}
              </option>
            ))}
          </select>
        </label>
      )}
      <label>
        From bar
        <input
          className={field.field}
          type="number"
          min={1}
          max={passage.whole}
          value={first}
          onChange={(event) => setFirst(event.currentTarget.value)}
        />
      </label>
      <label>
        to bar (of {passage.whole})
        <input
          className={field.field}
          type="number"
          min={1}
          max={passage.whole}
          value={last}
          onChange={(event) => setLast(event.currentTarget.value)}
        />
      </label>
      <label>
        Goal, ♩ =
        <input
          className={field.field}
          type="number"
          min={10}
          max={400}
          value={tempo}
          placeholder="as written"
          onChange={(event) => setTempo(event.currentTarget.value)}
        />
      </label>
      <Button type="submit" variant="default" size="md">
        Look there
      </Button>
    </form>
  );
}
