import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';

import { ApiError } from '../api/client';
import { AskLeave, needsLeave } from '../components/AskLeave';
import { WordChoice } from '../components/WordChoice';
import css from './Listening.module.css';
import { readSound } from './readSound';
import type { OnTrial, Trial } from './AsTrial';
import { Earlier } from './Earlier';
import { HeardResult } from './HeardResult';
import { Taking } from './Taking';
import {
  type Heard,
  keepSound,
  letSoundGo,
  PART_WORDS,
  type PartName,
  removeTake,
  sendTake,
  simulateTake,
  type Takes,
  takesQuery,
} from './takes';
import { type EarNext, useEarNext } from './useEarNext';
import { useTaking } from './useTaking';

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
  if (!takes.data) return <p role="status">Getting the music …</p>;
  return <Opened {...props} takes={takes.data} />;
}

const LET_GO =
  'The sound is thrown away once it is measured, unless you keep it; only its numbers stay.';
const IS_KEPT = 'The sound of this take is kept with the records; only you can hear it.';

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
  const send = (sound: Blob) =>
    work.mutate(async () => {
      const told = await sendTake(lessonId, evidence, name, sound, isChanged);
      sounds.keep(told.takes.at(-1)?.id, sound);
      return told;
    });
  const taking = useTaking(part.tempo, part.seconds, send);
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
      {takes.paused && (
        <p className={css.play}>
          A stop is up: nothing is played to be measured until you have lifted it.
        </p>
      )}
      {wantsMore && (
        <section aria-label="Play">
          <Parts takes={takes} chosen={part.part} onChoose={setChosen} />
          {last && <SameOrChanged isChanged={isChanged} onChoose={setIsChanged} />}
          <p className={css.play}>
            {takes.play} {takes.parts.length === 1 && `♩ = ${part.tempo}.`}
          </p>
          <div
            className={css.music}
            role="img"
            aria-label="The music to play"
            // Drawn by our own server from our own drills; no outside text gets into it.
            dangerouslySetInnerHTML={{ __html: part.music }}
          />
          <Taking
            hasNoButtons
            taking={taking}
            isBusy={work.isPending}
            onFile={(file) =>
              work.mutate(async () => {
                const sound = await readSound(file);
                const told = await sendTake(lessonId, evidence, name, sound, isChanged);
                sounds.keep(told.takes.at(-1)?.id, sound);
                return told;
              })
            }
            onSimulate={
              takes.simulated
                ? () => work.mutate(() => simulateTake(lessonId, evidence, name, isChanged))
                : undefined
            }
          />
          {work.error && !needsLeave(work.error) && (
            <p role="alert">
              {problemWords(work.error)}{' '}
              {mayGoAgain(work.error) && (
                <Button variant="default" onClick={again}>
                  Send it again
                </Button>
              )}
            </p>
          )}
        </section>
      )}
      <Earlier takes={takes} onChange={change.mutate} />
      <p className="quiet">{last?.sound ? IS_KEPT : LET_GO}</p>
    </div>
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

interface Standing {
  isBusy: boolean;
  /** What was heard stands there. */
  isResult: boolean;
  takeOver: () => void;
}

/** Record, then done, then take it; nothing while it counts or measures. */
function nextOf(
  takes: Takes,
  taking: ReturnType<typeof useTaking>,
  { isBusy, isResult, takeOver }: Standing,
): EarNext {
  const asked = takes.found.filter((found) => found.is_asked);
  const heard = isResult ? asked.map(({ finger, grade }) => ({ finger, grade })) : [];
  const is = (words: string, act: (() => void) | null): EarNext => ({ words, act, heard });
  if (isBusy) return is('Measuring', null);
  if (taking.phase.kind === 'playing') return is('Done', taking.finish);
  if (taking.phase.kind !== 'still') return is('Listen', null);
  if (asked.length > 0 && isResult) return is('Take it', takeOver);
  if (takes.paused) return is('Rest', null);
  return is('Record', () => void taking.start());
}

interface PartsProps {
  takes: Takes;
  chosen: string;
  onChoose: (part: string) => void;
}

/** Slow or fast, where both are asked for. */
function Parts({ takes, chosen, onChoose }: PartsProps) {
  if (takes.parts.length < 2) return null;
  const choices = takes.parts.map(({ part, tempo }) => ({
    id: part,
    words: `${PART_WORDS[part] ?? part}, ♩ = ${tempo}`,
  }));
  return (
    <WordChoice
      className={css.row}
      label="Which take"
      choices={choices}
      chosen={chosen}
      onChoose={onChoose}
    />
  );
}

const CONDITIONS = [
  { id: 'same', words: 'The same again' },
  { id: 'changed', words: 'One thing was changed' },
];

interface SameOrChangedProps {
  isChanged: boolean;
  onChoose: (isChanged: boolean) => void;
}

/** Takes of one condition give a mean; after a change the new ones are the finding. */
function SameOrChanged({ isChanged, onChoose }: SameOrChangedProps) {
  return (
    <WordChoice
      className={css.row}
      label="What is different"
      choices={CONDITIONS}
      chosen={isChanged ? 'changed' : 'same'}
      onChoose={(condition) => onChoose(condition === 'changed')}
    />
  );
}

/** True where the sound has not arrived: no network, signed out, a server with a problem. */
function mayGoAgain(error: Error): boolean {
  if (error instanceof ApiError) return error.status === 401 || error.status >= 500;
  return isUnsent(error);
}

function isUnsent(error: Error): boolean {
  return error instanceof TypeError || error instanceof DOMException;
}

function problemWords(error: Error): string {
  if (isUnsent(error)) return 'No connection to Jolf. The take is kept on this page.';
  const field = error instanceof ApiError ? error.fields[0] : undefined;
  return field?.field === 'file' ? `The file ${field.problem}.` : error.message;
}

/** The first part that has no take that tells anything, else the first. */
function nextPart(takes: Takes): Takes['parts'][number] {
  const heard = new Set(takes.takes.filter((take) => take.usable).map((take) => take.part));
  const open = takes.parts.find((each) => !heard.has(each.part)) ?? takes.parts[0];
  if (!open) throw new Error('a check that can be heard has a part to play');
  return open;
}

/** The sounds of this page by take, to be heard again until it is left. */
function useSounds() {
  const [kept, setKept] = useState<ReadonlyMap<number, { address: string; sound: Blob }>>(
    new Map(),
  );
  const made = useRef<string[]>([]);
  useEffect(() => () => made.current.forEach((address) => URL.revokeObjectURL(address)), []);
  return {
    of: (id: number) => kept.get(id),
    keep: (id: number | undefined, sound: Blob) => {
      if (id === undefined) return;
      const address = URL.createObjectURL(sound);
      made.current.push(address);
      setKept((before) => new Map(before).set(id, { address, sound }));
    },
  };
}
