import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { Listen } from '../audio/Listen';
import css from './PiecePage.module.css';
import { wayQuery } from '../pieces/passage';
import type { Passage } from '../pieces/pieces';

/** Drills of the place's own notes, in the order of practice. */
export function WayDrills({ playerId, passage }: { playerId: number; passage: Passage }) {
  const [isOpen, setIsOpen] = useState(false);
  if (!isOpen)
    return (
      <Button variant="default" onClick={() => setIsOpen(true)}>
        Show the drills
      </Button>
    );
  return <Drills playerId={playerId} passage={passage} />;
}

function Drills({ playerId, passage }: { playerId: number; passage: Passage }) {
  const way = useQuery(wayQuery(playerId, passage));
  if (way.error) return <p role="alert">{way.error.message}</p>;
  if (!way.data) return <p role="status">Writing …</p>;
  if (way.data.drills.length === 0) return <p>No drill can be made of these notes.</p>;
  return (
    <>
      <p>For bars {way.data.bars.join(' to ')}, one after the other, as long as it stays loose.</p>
      <ol className={css.drills}>
        {way.data.drills.map((drill) => (
          <li key={drill.title}>
            <h4>{drill.title}</h4>
            <p>{drill.hint}</p>
            <Listen
              name={drill.title}
              music={drill.music}
              notes={drill.notes}
              tempo={drill.tempo}
              canAnswer
            />
          </li>
        ))}
        <li>
          <h4>Drill, passage, drill</h4>
          <p>This week’s exercise, the bars as they are written, the exercise again.</p>
        </li>
      </ol>
    </>
  );
}
