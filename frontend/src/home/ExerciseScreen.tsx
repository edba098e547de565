import { useState } from 'react';

import { StopLooks } from '../exercise/StopLooks';
import { doseWords } from './dayWords';
import css from './ExerciseScreen.module.css';
import { MusicPages } from './MusicPages';
import { PhoneHands } from './PhoneHands';
import { ToolPanel } from './tools/ToolPanel';
import type { HomeItem } from './weekNow';
import * as say from '../messages/compiled/home';
import { beside } from '../words/lists';

interface Props {
  item: HomeItem;
  openStrings: number[];
  /** The week's one thing, in view all the time; empty for none. */
  one: string;
  plays: readonly boolean[];
  onPlay: (clean: boolean) => void;
}

/** A whole exercise on one screen: what, how much, how, its music, one tool. */
export function ExerciseScreen({ item, openStrings, one, plays, onPlay }: Props) {
  const [beat, setBeat] = useState<number | null>(null);
  const [note, setNote] = useState<number | null>(null);
  const hasMusic = item.lines.length > 0;
  const { brief, picture } = item;
  const below = beside([item.rung_words, item.finger_words]);
  return (
    <article className={css.exercise} data-music={hasMusic || undefined} aria-label={item.name}>
      {one && <p className={css.one}>{one}</p>}
      <header className={css.title}>
        <h1>{item.name}</h1>
        <strong>{doseWords(item)}</strong>
      </header>
      <p className={css.rung}>{below}</p>
      <div className={hasMusic && picture ? css.beside : css.how}>
        {picture && <PhoneHands pair={picture} small={hasMusic} />}
        <ol className={css.steps}>
          {brief.steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      </div>
      <MusicPages item={item} beat={beat} note={note} />
      <StopLooks looks={item.looks} />
      <p className={css.feel}>
        <strong>{say.feelsLike()}</strong> {brief.feel}.
      </p>
      <p className={css.stop}>
        <strong>{say.stopWhen()}</strong> {brief.stop}.
      </p>
      <ToolPanel
        item={item}
        openStrings={openStrings}
        plays={plays}
        onPlay={onPlay}
        onBeat={setBeat}
        onNote={setNote}
      />
    </article>
  );
}
