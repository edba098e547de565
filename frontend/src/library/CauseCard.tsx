import type { Catalogue } from '../api/client';
import { PlacePicture } from '../drawings/PlacePicture';
import { instrumentsWords } from '../words/words';
import css from './LibraryPage.module.css';
import { LinkRow } from './LinkRow';
import * as say from '../messages/compiled/library';
import { beside } from '../words/lists';

interface Props {
  catalogue: Catalogue;
  id: string;
  instrument: string;
  onExercise: (id: string) => void;
  onCheck: (id: string) => void;
}

/** One cause: what it means, how it shows, what is given for it. */
export function CauseCard({ catalogue, id, instrument, onExercise, onCheck }: Props) {
  const cause = catalogue.causes.find((c) => c.id === id);
  if (!cause) return null;
  const here = (instruments: string[]) => instruments.includes(instrument);
  const signs = catalogue.evidence.filter((e) => e.causes.includes(id) && here(e.instruments));
  const exercises = catalogue.exercises
    .filter((e) => e.aims.includes(id) && here(e.instruments))
    .sort((a, b) => a.aims.indexOf(id) - b.aims.indexOf(id));
  return (
    <>
      <p className={css.kindline}>{beside([say.cause(), instrumentsWords(cause.instruments)])}</p>
      <h2>{cause.name}</h2>
      <p className={css.how}>{cause.meaning}</p>
      <PlacePicture instrument={instrument} place={cause.places[0] ?? ''} size={320} />
      <h3>{say.showsIn()}</h3>
      <LinkRow entries={signs.map(({ id, label }) => ({ id, words: label }))} onOpen={onCheck} />
      <h3>{say.whatIsGivenForIt()}</h3>
      <LinkRow
        entries={exercises.map(({ id, name }) => ({ id, words: name }))}
        onOpen={onExercise}
      />
    </>
  );
}
