import { useState } from 'react';

import { GradeMarks } from '../components/GradeMarks';
import { SureButton } from '../components/SureButton';
import touch from '../components/touch.module.css';
import { gradeWord } from '../words/words';
import type { OnTrial, Trial } from './AsTrial';
import { Beside } from './Beside';
import css from './Listening.module.css';
import { TakeView } from './TakeView';
import type { Heard, Takes } from './takes';
import * as say from '../messages/compiled/sound';

interface Props {
  takes: Takes;
  lessonId: number;
  /** What this page still has of the sound. */
  sound: string | undefined;
  onAgain: () => void;
  onAlso: (key: string, value: Heard) => void;
  onDrop: () => void;
  onKeep: () => void;
  onLetGo: () => void;
  trials: Trial[];
  onTrial: OnTrial;
}

/** What the newest take told, and what can be done with it. */
export function HeardResult({ takes, lessonId, sound, trials, ...on }: Props) {
  const last = takes.takes.at(-1);
  const [also, setAlso] = useState<string[]>([]);
  if (!last) return null;
  const asked = takes.found.filter((found) => found.is_asked);
  const others = takes.found.filter((found) => !found.is_asked);
  return (
    <section aria-label={say.whatWasHeard()} className={css.result}>
      <p className={css.sentence} role="status">
        {last.usable ? takes.sentence : last.words}
      </p>
      {last.is_simulated && <p className="quiet">{say.playedByAMadeUp()}</p>}
      <div className={css.row}>
        <button type="button" className={touch.word} onClick={on.onAgain}>
          {say.onceMore()}
        </button>
        <button type="button" className={touch.word} onClick={on.onDrop}>
          {say.throwThisTakeAway()}
        </button>
        {last.sound ? (
          <SureButton sure={say.yesLetItGoFor()} onSure={on.onLetGo}>
            {say.letTheSoundGo()}
          </SureButton>
        ) : (
          sound && (
            <button type="button" className={touch.word} onClick={on.onKeep}>
              {say.keepTheSound()}
            </button>
          )
        )}
      </div>
      {asked.length > 0 && (
        <p className={css.grades}>
          {asked.map((found) => (
            <span key={found.key}>
              {found.finger !== null && `${say.fingerOfFinger({ finger: found.finger })} `}
              <GradeMarks grade={found.grade} size={22} /> {gradeWord(found.grade, false)},{' '}
              {found.told}
            </span>
          ))}
        </p>
      )}
      <TakeView
        key={last.id}
        take={last}
        lessonId={lessonId}
        evidence={takes.evidence}
        sound={sound ?? last.sound ?? undefined}
      />
      <Beside pairs={takes.beside} trials={trials} onTrial={on.onTrial} />
      {others.map((found) => (
        <p key={found.key}>
          {say.alsoHeard({ label: found.label, told: found.told })}{' '}
          <button
            type="button"
            className={touch.word}
            disabled={also.includes(found.key)}
            onClick={() => {
              setAlso([...also, found.key]);
              on.onAlso(found.key, found.value);
            }}
          >
            {also.includes(found.key) ? say.takenOver() : say.takeOver()}
          </button>
        </p>
      ))}
    </section>
  );
}
