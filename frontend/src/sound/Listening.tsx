import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { AskLeave, needsLeave } from '../components/AskLeave';
import css from './Listening.module.css';
import { readSound } from './readSound';
import type { OnTrial, Trial } from './AsTrial';
import { Earlier } from './Earlier';
import { FollowedMusic } from './FollowedMusic';
import { HeardResult } from './HeardResult';
import { mayGoAgain, nextOf, nextPart, problemWords } from './listeningNext';
import { SwingingString } from './SwingingString';
import { Parts, SameOrChanged } from './TakeChoices';
import { Taking } from './Taking';
import {
  type Heard,
  keepSound,
  letSoundGo,
  type PartName,
  removeTake,
  sendTake,
  simulateTake,
  type Takes,
  takesQuery,
} from './takes';
import { type EarNext, useEarNext } from './useEarNext';
import { useFollowing } from './useFollowing';
import { useSounds } from './useSounds';
import { useTaking } from './useTaking';
import * as say from '../messages/compiled/sound';

interface Props {
  lessonId: number;
  playerId: number;
  evidence: string;
  onFound: (key: string, value: Heard) => void;
  onDone: () => void;
  /** What may be changed between two takes. */
  trials: Trial[];
  onTrial: OnTrial;
  /** What stands in the place of the next action meanwhile. */
  onNext: (next: EarNext | null) => void;
}

/** A drill is played and heard; what it tells is said, shown, and taken over at a touch. */
export function Listening(props: Props) {
  const takes = useQuery(takesQuery(props.lessonId, props.evidence));
  if (takes.error && !takes.data) return <p role="alert">{takes.error.message}</p>;
  if (!takes.data) return <p role="status">{say.gettingTheMusic()}</p>;
  return <Opened {...props} takes={takes.data} />;
}

const LET_GO = say.theSoundIsThrownAway();
const IS_KEPT = say.theSoundOfThisTake();

function Opened(props: Props & { takes: Takes }) {
  const { lessonId, evidence, takes, onFound, onDone, trials, onTrial, onNext } = props;
  const cache = useQueryClient();
  const [chosen, setChosen] = useState<string | null>(null);
  const part = takes.parts.find((each) => each.part === chosen) ?? nextPart(takes);
  const name = part.part as PartName;
  const [isAgain, setIsAgain] = useState(false);
  const [isChanged, setIsChanged] = useState(false);
  const sounds = useSounds();
  const work = useMutation({
    mutationFn: (run: () => Promise<Takes>) => run(),
    onSuccess: (told) => {
      cache.setQueryData(takesQuery(lessonId, evidence).queryKey, told);
      setChosen(null);
      setIsAgain(false);
      setIsChanged(false);
    },
  });
  const change = useMutation({
    mutationFn: (run: () => Promise<unknown>) => run(),
    onSuccess: () => cache.invalidateQueries(takesQuery(lessonId, evidence)),
  });
  const sent = async (sound: Blob) => {
    const told = await sendTake(lessonId, evidence, name, sound, isChanged);
    sounds.keep(told.takes.at(-1)?.id, sound);
    return told;
  };
  const along = useFollowing(part.notes);
  const measure = (sound: Blob) => work.mutate(() => sent(sound));
  const taking = useTaking(part.tempo, part.seconds, measure, along);
  const place = taking.phase.kind === 'playing' ? along.place : -1;
  const again = () => work.variables && work.mutate(work.variables);
  const last = takes.takes.at(-1);
  const wantsMore = (isAgain || !takes.found.some((found) => found.is_asked)) && !takes.paused;
  const takeOver = () => {
    for (const each of takes.found.filter((found) => found.is_asked)) onFound(each.key, each.value);
    onDone();
  };
  const isResult = last !== undefined && !isAgain;
  useEarNext(
    nextOf(takes, taking, {
      isBusy: work.isPending,
      isResult,
      takeOver,
    }),
    onNext,
  );
  return (
    <div className={css.listening}>
      {last && isResult && (
        <HeardResult
          takes={takes}
          lessonId={lessonId}
          sound={sounds.of(last.id)?.address}
          trials={trials}
          onTrial={onTrial}
          onAgain={() => setIsAgain(true)}
          onAlso={(key, value) => onFound(key, value)}
          onDrop={() => work.mutate(() => removeTake(lessonId, evidence, last.id))}
          onKeep={() => {
            const sound = sounds.of(last.id)?.sound;
            if (sound) work.mutate(() => keepSound(lessonId, evidence, last.id, sound));
          }}
          onLetGo={() => work.mutate(() => letSoundGo(lessonId, evidence, last.id))}
        />
      )}
      <LeaveToKeep playerId={props.playerId} error={work.error} onGiven={again} />
      {takes.paused && <p className={css.play}>{say.aStopIsUpNothing()}</p>}
      {wantsMore && (
        <ToPlay
          {...{ takes, part, taking, place, isChanged, again }}
          error={work.error}
          isBusy={work.isPending}
          onPart={setChosen}
          onChanged={setIsChanged}
          onFile={(file) => work.mutate(async () => sent(await readSound(file)))}
          onSimulate={() => work.mutate(() => simulateTake(lessonId, evidence, name, isChanged))}
        />
      )}
      <Earlier takes={takes} onChange={change.mutate} />
      <p className="quiet">{last?.sound ? IS_KEPT : LET_GO}</p>
    </div>
  );
}

interface ToPlayProps {
  takes: Takes;
  part: Takes['parts'][number];
  taking: ReturnType<typeof useTaking>;
  /** Where in the music the player is, -1 for nowhere. */
  place: number;
  isChanged: boolean;
  isBusy: boolean;
  error: Error | null;
  again: () => void;
  onPart: (part: string | null) => void;
  onChanged: (isChanged: boolean) => void;
  onFile: (file: File) => void;
  onSimulate: () => void;
}

/** What is to be played now, and how it is taken. */
function ToPlay(props: ToPlayProps) {
  const { takes, part, taking, place, isChanged, isBusy, error, again } = props;
  const { onPart, onChanged, onFile, onSimulate } = props;
  return (
    <section aria-label={say.play()}>
      <Parts takes={takes} chosen={part.part} onChoose={onPart} />
      {takes.takes.length > 0 && <SameOrChanged isChanged={isChanged} onChoose={onChanged} />}
      <p className={css.play}>
        {takes.play} {takes.parts.length === 1 && `♩ = ${part.tempo}.`}
      </p>
      <FollowedMusic music={part.music} notes={part.notes} place={place} />
      <SwingingString level={taking.peak} />
      <Taking
        hasNoButtons
        taking={taking}
        isBusy={isBusy}
        onFile={onFile}
        onSimulate={takes.simulated ? onSimulate : undefined}
      />
      {error && !needsLeave(error) && (
        <p role="alert">
          {problemWords(error)}{' '}
          {mayGoAgain(error) && (
            <Button variant="default" onClick={again}>
              {say.sendItAgain()}
            </Button>
          )}
        </p>
      )}
    </section>
  );
}

interface LeaveProps {
  playerId: number;
  error: Error | null;
  onGiven: () => void;
}

function LeaveToKeep({ playerId, error, onGiven }: LeaveProps) {
  return needsLeave(error) && <AskLeave playerId={playerId} kind="sound" onGiven={onGiven} />;
}
