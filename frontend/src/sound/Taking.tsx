import { Button } from '@mantine/core';

import { TakeFile } from '../components/TakeFile';
import touch from '../components/touch.module.css';
import css from './Listening.module.css';
import type { useTaking } from './useTaking';
import * as say from '../messages/compiled/sound';

const LEVEL_WORDS = { quiet: say.tooQuiet(), good: 'good', loud: say.tooLoud() };

interface Props {
  taking: ReturnType<typeof useTaking>;
  isBusy: boolean;
  onFile: (file: File) => void;
  onSimulate?: (() => void) | undefined;
  /** Record and Done stand elsewhere, in the place of the next action. */
  hasNoButtons?: boolean;
}

/** From the first touch to the end of a take: microphone, file, or a made-up player. */
export function Taking({ taking, isBusy, onFile, onSimulate, hasNoButtons = false }: Props) {
  const { phase, level } = taking;
  if (isBusy) return <p role="status">{say.measuring()}</p>;
  if (phase.kind === 'opening') return <p role="status">{say.openingTheMicrophone()}</p>;
  if (phase.kind !== 'still')
    return (
      <div className={css.row}>
        {phase.kind === 'counting' ? (
          <span className={css.lights} role="img" aria-label={say.beatOf4({ beat: phase.beat })}>
            {[1, 2, 3, 4].map((beat) => (
              <i key={beat} data-on={beat === phase.beat || undefined} />
            ))}
          </span>
        ) : (
          <strong className={css.left}>{phase.left} s</strong>
        )}
        <span className={css.level}>{LEVEL_WORDS[level]}</span>
        {!hasNoButtons && (
          <Button size="md" onClick={taking.finish}>
            {say.done()}
          </Button>
        )}
        <button type="button" className={touch.word} onClick={() => taking.drop()}>
          {say.stopKeepNothing()}
        </button>
      </div>
    );
  return (
    <div className={css.row}>
      {!hasNoButtons && (
        <Button size="md" onClick={() => void taking.start()}>
          {say.record()}
        </Button>
      )}
      <TakeFile isQuiet accept="audio/*" onFile={onFile}>
        {say.orASoundFile()}
      </TakeFile>
      {onSimulate && (
        <button type="button" className={touch.word} onClick={onSimulate}>
          {say.noMicrophoneAMadeUp()}
        </button>
      )}
      {taking.problem && <p role="alert">{taking.problem}</p>}
    </div>
  );
}
