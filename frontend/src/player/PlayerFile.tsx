import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { late } from '../components/late';
import { picturesQuery } from '../api/queries';
import { piecesQuery } from '../pieces/pieces';
import { Dialog } from '../components/Dialog';
import css from './PlayerFile.module.css';

const Erase = late(async () => (await import('./Erase')).Erase);

interface Props {
  id: number;
  name: string;
  /** How many are kept. */
  sounds: number;
}

/** Taking a player's records along, and erasing them. */
export function PlayerFile({ id, name, sounds }: Props) {
  const hasPieces = (useQuery(piecesQuery(id)).data ?? []).length > 0;
  const hasPictures = (useQuery(picturesQuery(id)).data ?? []).length > 0;
  const [erasing, setErasing] = useState(false);
  return (
    <div className={css.row}>
      <Button component="a" variant="subtle" href={`/api/players/${id}/file`}>
        Save all records as a file
      </Button>
      <Button component="a" variant="subtle" href={`/api/players/${id}/table.csv`}>
        A table for a spreadsheet
      </Button>
      {(hasPictures || hasPieces || sounds > 0) && (
        <Button
          component="a"
          variant="subtle"
          href={`/api/players/${id}/file?pictures=true&sounds=true&scores=true`}
        >
          The same with{' '}
          {[
            hasPictures && 'the pictures of the hand',
            sounds > 0 && 'the sounds',
            hasPieces && 'the music',
          ]
            .filter(Boolean)
            .join(' and ')}
        </Button>
      )}
      <Button variant="subtle" onClick={() => setErasing(true)}>
        Erase this player
      </Button>
      <Dialog opened={erasing} onClose={() => setErasing(false)} title={`Erase ${name}?`}>
        <Erase id={id} name={name} />
      </Dialog>
    </div>
  );
}
