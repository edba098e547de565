import { useState } from 'react';

import type { Schemas } from '../api/client';
import { TAP } from '../sound/microphone';
import { readSound } from '../sound/readSound';
import { useTaking } from '../sound/useTaking';
import { shortDate } from '../words/words';
import home from './home.module.css';
import css from './RecordTake.module.css';
import { keepForLater } from './offline';
import { useTakes, waitingWords } from './useTakes';
import * as say from '../messages/compiled/home';
import { listed } from '../words/lists';

interface Props {
  token: string;
  take: Schemas['HomeTakeAskOut'];
  today: string;
}

const LEVEL_WORDS = { quiet: say.tooQuiet(), good: 'good', loud: say.tooLoud() };

/** What records has come after the page: it is kept, too, for a time without a network. */
export function keepTaking(token: string): void {
  void keepForLater(token, [TAP]);
}

/** The drill that the teacher wants to hear: recorded here, or by the phone's own recorder. */
export function RecordTake({ token, take, today }: Props) {
  const { days, waiting, words, busy, held, add } = useTakes(token, today, take.days);
  const [problem, setProblem] = useState<string | null>(null);
  const taking = useTaking(take.tempo, take.seconds, (sound) => void add(sound));
  const { phase } = taking;
  return (
    <section className={css.take} aria-label={say.aTakeForYourTeacher()}>
      <h1>{say.recordThisForYourTeacher()}</h1>
      <p>{say.onceOrTwiceInThe({ play: take.play, tempo: take.tempo })}</p>
      <div
        className={css.music}
        role="img"
        aria-label={say.theMusicToRecord()}
        // Drawn by our own server from our own drills; no outside text gets into it.
        dangerouslySetInnerHTML={{ __html: take.music }}
      />
      {phase.kind === 'still' && !busy && (
        <>
          <button type="button" className={home.main} onClick={() => void taking.start()}>
            {say.record()}
          </button>
          <label className={css.file}>
            {say.orARecordingOfThis()}
            <input
              type="file"
              accept="audio/*"
              onChange={(event) => {
                const file = event.currentTarget.files?.[0];
                if (!file) return;
                setProblem(null);
                readSound(file).then(add, (error: unknown) =>
                  setProblem(error instanceof Error ? error.message : String(error)),
                );
              }}
            />
          </label>
        </>
      )}
      {phase.kind === 'opening' && <p role="status">{say.openingTheMicrophone()}</p>}
      {(phase.kind === 'counting' || phase.kind === 'playing') && (
        <div className={css.choice}>
          <strong className={css.count} role="status">
            {phase.kind === 'counting' ? say.of4({ beat: phase.beat }) : `${phase.left} s`}
          </strong>
          <span>{LEVEL_WORDS[taking.level]}</span>
          <button type="button" onClick={taking.finish}>
            {say.done()}
          </button>
          <button type="button" onClick={() => taking.drop()}>
            {say.stopKeepNothing()}
          </button>
        </div>
      )}
      {busy && <p role="status">{say.sending()}</p>}
      {(taking.problem ?? problem) && <p role="alert">{taking.problem ?? problem}</p>}
      {words && <p role="status">{words}</p>}
      {waiting > 0 && !busy && <p role="status">{waitingWords(waiting, held)}</p>}
      {days.length > 0 && (
        <p className="quiet">
          {say.recordedOn({ days: listed(days.map((day) => shortDate(day))) })}
        </p>
      )}
    </section>
  );
}
