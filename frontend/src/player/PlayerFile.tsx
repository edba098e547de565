import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { late } from '../components/late';
import { picturesQuery } from '../api/queries';
import { piecesQuery } from '../pieces/pieces';
import { Dialog } from '../components/Dialog';
import touch from '../components/touch.module.css';
import css from './PlayerPage.module.css';
import * as say from '../messages/compiled/player';
import { listed } from '../words/lists';

const Erase = late(async () => (await import('./Erase')).Erase);

interface Props {
  id: number;
  name: string;
  /** How many are kept. */
  sounds: number;
  /** Of the picture that is shown. */
  span: string;
}

/** Taking a player's records along, and erasing them. */
export function PlayerFile({ id, name, sounds, span }: Props) {
  const hasPieces = (useQuery(piecesQuery(id)).data ?? []).length > 0;
  const hasPictures = (useQuery(picturesQuery(id)).data ?? []).length > 0;
  const [erasing, setErasing] = useState(false);
  const [leave, setLeave] = useState<{ now: () => void } | null>(null);
  return (
    <div className={css.row}>
      <a className={touch.word} href={`/api/players/${id}/file`}>
        {say.saveAllRecordsAsA()}
      </a>
      <a className={touch.word} href={`/api/players/${id}/table.csv`}>
        {say.aTableForASpreadsheet()}
      </a>
      {(hasPictures || hasPieces || sounds > 0) && (
        <a
          className={touch.word}
          href={`/api/players/${id}/file?pictures=true&sounds=true&scores=true`}
        >
          {say.theSameWith()}{' '}
          {listed([
            hasPictures && say.thePicturesOfTheHand(),
            sounds > 0 && say.theSounds(),
            hasPieces && say.theMusic(),
          ])}
        </a>
      )}
      <a className={touch.word} href={`/api/players/${id}/term.png?span=${span}`}>
        {say.thePictureAsPng()}
      </a>
      <a className={touch.word} href={`/api/players/${id}/term.svg?span=${span}`}>
        {say.thePictureAsSvg()}
      </a>
      <button type="button" className={touch.word} onClick={() => setErasing(true)}>
        {say.eraseThisPlayer()}
      </button>
      <Dialog
        opened={erasing}
        // Nothing is left of the page behind it.
        onClose={() => (leave ? leave.now() : setErasing(false))}
        title={leave ? say.erased() : say.erase({ name })}
      >
        <Erase id={id} name={name} onErased={(now) => setLeave({ now })} />
      </Dialog>
    </div>
  );
}
