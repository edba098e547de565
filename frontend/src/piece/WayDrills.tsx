import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { Listen } from '../audio/Listen';
import css from './PiecePage.module.css';
import { wayQuery } from '../pieces/passage';
import type { Passage } from '../pieces/pieces';
import * as say from '../messages/compiled/piece';
import { fromTo } from '../words/lists';

/** Drills of the place's own notes, in the order of practice. */
export function WayDrills({ playerId, passage }: { playerId: number; passage: Passage }) {
  const [isOpen, setIsOpen] = useState(false);
  if (!isOpen)
    return (
      <Button variant="default" onClick={() => setIsOpen(true)}>
        {say.showTheDrills()}
      </Button>
    );
  return <Drills playerId={playerId} passage={passage} />;
}

function Drills({ playerId, passage }: { playerId: number; passage: Passage }) {
  const way = useQuery(wayQuery(playerId, passage));
  if (way.error) return <p role="alert">{way.error.message}</p>;
  if (!way.data) return <p role="status">{say.writing()}</p>;
  if (way.data.drills.length === 0) return <p>{say.noDrillCanBeMade()}</p>;
  return (
    <>
      <p>{say.forBarsOneAfterThe({ bars: fromTo(way.data.bars) })}</p>
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
          <h4>{say.drillPassageDrill()}</h4>
          <p>{say.thisWeeksExerciseTheBars()}</p>
        </li>
      </ol>
    </>
  );
}
