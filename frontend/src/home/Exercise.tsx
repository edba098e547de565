import { Listen } from '../audio/Listen';
import { ExerciseFacts, ExerciseSteps, MusicTitle } from '../exercise/ExerciseText';
import css from './HomePage.module.css';
import { Tools } from './Tools';
import type { HomeItem } from './weekNow';

interface Props {
  item: HomeItem;
  openStrings: number[];
  plays?: readonly boolean[];
  onPlay?: (clean: boolean) => void;
}

const USUAL_TEMPO = 60;

/** One exercise: why, how, its music, and the tools that need no typing. */
export function Exercise({ item, openStrings, plays, onPlay }: Props) {
  return (
    <article className={css.exercise}>
      <h2>{item.name}</h2>
      <p className={css.dose}>
        <strong>{item.dose}</strong>
        {item.tempo !== null && `, ♩ = ${item.tempo}`}: {item.rung_words}
      </p>
      <p>{item.why}</p>
      {item.child && <p className={css.child}>“{item.child}”</p>}
      <ExerciseSteps steps={item.steps} />
      <ExerciseFacts item={item} />
      <MusicTitle item={item} />
      {item.music !== null && (
        <Listen
          name={item.name}
          music={item.music}
          notes={item.notes}
          tempo={item.beat ?? USUAL_TEMPO}
        />
      )}
      <Tools
        item={item}
        openStrings={openStrings}
        {...(plays ? { plays } : {})}
        {...(onPlay ? { onPlay } : {})}
      />
    </article>
  );
}
