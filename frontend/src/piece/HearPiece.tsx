import { Button } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';

import touch from '../components/touch.module.css';
import { readSound } from '../sound/readSound';
import { Taking } from '../sound/Taking';
import { useTaking } from '../sound/useTaking';
import { HeardBars } from './HeardBars';
import css from './PiecePage.module.css';
import { hearPiece, simulatePiece } from '../pieces/passage';
import type { Passage } from '../pieces/pieces';
import * as say from '../messages/compiled/piece';
import { fromTo } from '../words/lists';

interface Props {
  playerId: number;
  passage: Passage;
  onHeard: (now: Passage) => void;
}

/** A take of the hardest bars: from which of them it tightens, beside what was expected. */
export function HearPiece({ playerId, passage, onHeard }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  const { to_hear: asked, heard } = passage;
  return (
    <>
      {heard && <HeardBars heard={heard} />}
      {passage.cannot_hear && <p className="quiet">{passage.cannot_hear}</p>}
      {asked &&
        (isOpen ? (
          <Recording
            playerId={playerId}
            passage={passage}
            asked={asked}
            onHeard={(now) => {
              setIsOpen(false);
              onHeard(now);
            }}
          />
        ) : (
          <Button variant="default" onClick={() => setIsOpen(true)}>
            {heard ? say.hearItAgain() : say.hearWhereItTightens()}
          </Button>
        ))}
    </>
  );
}

interface RecordingProps extends Props {
  asked: NonNullable<Passage['to_hear']>;
}

function Recording({ playerId, passage, asked, onHeard }: RecordingProps) {
  const [tempo, setTempo] = useState(asked.tempi.at(-1) ?? 60);
  const work = useMutation({
    mutationFn: (run: () => Promise<Passage>) => run(),
    onSuccess: onHeard,
  });
  const send = (sound: Blob) => work.mutate(() => hearPiece(playerId, passage.id, sound, tempo));
  const taking = useTaking(tempo, (asked.quarters * 60) / tempo, send);
  return (
    <>
      <p>{say.playBarsWithoutRepeatsThe({ bars: fromTo(asked.bars) })}</p>
      {asked.tempi.length > 1 && (
        <div className={css.row} role="group" aria-label={say.tempoOfTheTake()}>
          {asked.tempi.map((each) => (
            <button
              key={each}
              type="button"
              className={touch.button}
              aria-pressed={each === tempo}
              onClick={() => setTempo(each)}
            >
              ♩ = {each}
            </button>
          ))}
        </div>
      )}
      <Taking
        taking={taking}
        isBusy={work.isPending}
        onFile={(file) =>
          work.mutate(async () => hearPiece(playerId, passage.id, await readSound(file), tempo))
        }
        onSimulate={
          asked.simulated
            ? () => work.mutate(() => simulatePiece(playerId, passage.id, tempo))
            : undefined
        }
      />
      {work.error && (
        <p role="alert">
          {work.error.message}{' '}
          <Button variant="default" onClick={() => work.mutate(work.variables)}>
            {say.sendItAgain()}
          </Button>
        </p>
      )}
    </>
  );
}
