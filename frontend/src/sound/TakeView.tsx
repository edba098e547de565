import { useEffect, useRef, useState } from 'react';

import touch from '../components/touch.module.css';
import { NoteNumbers } from './NoteNumbers';
import { NoteStrip } from './NoteStrip';
import css from './Listening.module.css';
import { TakeCurve } from './TakeCurve';
import type { Take } from './takes';
import * as say from '../messages/compiled/sound';
import { Rich } from '../messages/Rich';
import { FINGER_NAMES } from '../words/ordinals';

const SLOWER = 0.5;
const ROOM_WORDS: Record<string, string> = { much: say.theRoomSingsOnNumbers() };

interface Props {
  take: Take;
  lessonId: number;
  evidence: string;
  /** The sound, as long as this page has it. */
  sound: string | undefined;
}

/** One take: the notes as they came, by finger, and in numbers. */
export function TakeView({ take, lessonId, evidence, sound }: Props) {
  const [isSlow, setIsSlow] = useState(false);
  const [isCurve, setIsCurve] = useState(false);
  const { player, now, playFrom } = useSound(sound, isSlow);
  if (!take.usable) return null;
  return (
    <div className={css.take}>
      <div className={css.row} role="group" aria-label={say.picture()}>
        {[false, true].map((each) => (
          <button
            key={String(each)}
            type="button"
            className={touch.word}
            aria-pressed={each === isCurve}
            onClick={() => setIsCurve(each)}
          >
            {each ? say.asACurve() : say.noteByNote()}
          </button>
        ))}
      </div>
      {isCurve ? (
        <TakeCurve
          take={take}
          lessonId={lessonId}
          evidence={evidence}
          now={now}
          onPlace={sound ? playFrom : undefined}
        />
      ) : (
        <NoteStrip notes={take.notes} now={now} onPlace={sound ? playFrom : undefined} />
      )}
      {sound && (
        <div className={css.row}>
          <audio ref={player} src={sound} controls aria-label={say.theTake()} />
          <label className={css.check}>
            <input
              type="checkbox"
              checked={isSlow}
              onChange={(event) => setIsSlow(event.currentTarget.checked)}
            />
            {say.halfAsFastSamePitch()}
          </label>
        </div>
      )}
      <FingerNumbers take={take} />
      {ROOM_WORDS[take.room] && <p className="quiet">{ROOM_WORDS[take.room]}</p>}
      {take.lost > 0 && <p className="quiet">{say.oneNoteWasLost({ lost: take.lost })}</p>}
      <NoteNumbers notes={take.notes} />
    </div>
  );
}

/** The sound as it is played: where it is, in s, and from where it goes on. */
function useSound(sound: string | undefined, isSlow: boolean) {
  const player = useRef<HTMLAudioElement>(null);
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    const audio = player.current;
    if (!audio) return undefined;
    const timer = setInterval(() => setNow(audio.paused ? null : audio.currentTime), 50);
    return () => clearInterval(timer);
  }, [sound]);
  useEffect(() => {
    if (player.current) player.current.playbackRate = isSlow ? SLOWER : 1;
  }, [isSlow]);
  const playFrom = (at: number) => {
    const audio = player.current;
    if (!audio) return;
    audio.currentTime = Math.max(0, at - 0.05);
    void audio.play();
  };
  return { player, now, playFrom };
}

/** What was measured of each finger and of the spacing. */
function FingerNumbers({ take }: Pick<Props, 'take'>) {
  return (
    <ul className={css.fingers}>
      {take.fingers.map((each) => (
        <li key={each.finger}>
          <Rich
            says={say.giveOrTakeOfFinger({
              finger: FINGER_NAMES[each.finger] ?? '',
              cents: centsWords(each.cents),
              give: Math.round(each.give),
            })}
          />
        </li>
      ))}
      {take.spread !== null && take.least !== null && (
        <li>
          <Rich
            says={
              take.spread <= take.least
                ? say.spacingEvenAsFarAs({ least: take.least })
                : say.spacingGiveOrTake({
                    spread: take.spread,
                    spreadGive: Math.round(take.spread_give ?? 0),
                  })
            }
          />
        </li>
      )}
      {take.pairs.map((each) => (
        <li key={each.pair}>
          <strong>{each.pair}</strong> {each.spread} %
        </li>
      ))}
      {take.vibrato.map((each) => (
        <li key={each.finger}>
          <Rich
            says={
              each.width > 0
                ? say.swingsCentsTimesASecond({
                    finger: FINGER_NAMES[each.finger] ?? '',
                    width: Math.round(each.width),
                    rate: each.rate.toFixed(1),
                  })
                : say.noVibrato({ finger: FINGER_NAMES[each.finger] ?? '' })
            }
          />
        </li>
      ))}
    </ul>
  );
}

function centsWords(cents: number): string {
  const near = Math.round(Math.abs(cents));
  if (near === 0) return say.inTune();
  return cents < 0 ? say.centsLow({ count: near }) : say.centsHigh({ count: near });
}
