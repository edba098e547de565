import { TwoHands } from '../drawings/TwoHands';
import { ExerciseMusic } from '../exercise/ExerciseMusic';
import {
  BEFORE_OR_AFTER,
  ExerciseFacts,
  ExerciseSteps,
  WHILE_PLAYING,
} from '../exercise/ExerciseText';
import css from './HomePage.module.css';
import { Tools } from './Tools';
import type { HomeItem } from './weekNow';

interface Props {
  item: HomeItem;
  openStrings: number[];
}

interface PractisedProps extends Props {
  plays: readonly boolean[];
  onPlay: (clean: boolean) => void;
}

/** One exercise to read: why, how, its music, and the tools that need no typing. */
export function Exercise({ item, openStrings }: Props) {
  return (
    <article className={css.exercise}>
      <Title item={item} />
      <p>{item.why}</p>
      <ChildLine item={item} />
      <ExerciseSteps steps={item.steps} />
      <Hands item={item} />
      <ExerciseFacts item={item} />
      <ExerciseMusic item={item} />
      <Tools item={item} openStrings={openStrings} />
    </article>
  );
}

/** One exercise to do: steps, music and tools close together, what can wait below them. */
export function PractisedExercise({ item, openStrings, plays, onPlay }: PractisedProps) {
  return (
    <article className={css.exercise}>
      <Title item={item} />
      <ChildLine item={item} />
      <ExerciseSteps steps={item.steps} />
      <Hands item={item} />
      <ExerciseFacts item={item} only={WHILE_PLAYING} />
      <ExerciseMusic item={item} />
      <Tools item={item} openStrings={openStrings} plays={plays} onPlay={onPlay} />
      <ExerciseFacts item={item} only={BEFORE_OR_AFTER} />
    </article>
  );
}

function Title({ item }: { item: HomeItem }) {
  return (
    <>
      <h2>{item.name}</h2>
      <p className={css.dose}>
        <strong>{item.dose}</strong>
        {item.tempo !== null && `, ♩ = ${item.tempo}`}: {item.rung_words}
      </p>
    </>
  );
}

function ChildLine({ item }: { item: HomeItem }) {
  return item.child ? <p className={css.child}>“{item.child}”</p> : null;
}

function Hands({ item }: { item: HomeItem }) {
  const pair = item.picture;
  return pair ? <TwoHands pair={pair} between={pair.frames} width="8.6rem" /> : null;
}
