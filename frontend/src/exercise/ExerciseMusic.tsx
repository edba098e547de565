import { Listen } from '../audio/Listen';
import type { Page } from './ExerciseText';
import { StopLooks } from './StopLooks';

const USUAL_TEMPO = 60;

/** The music with its title, and a button that plays it; nothing for an exercise without music. */
export function ExerciseMusic({ item }: { item: Page }) {
  return (
    <>
      <MusicTitle item={item} />
      <StopLooks looks={item.looks} />
      {item.music !== null && (
        <Listen
          name={item.name}
          music={item.music}
          notes={item.notes}
          tempo={item.beat ?? USUAL_TEMPO}
          beatsABar={item.beats}
        />
      )}
    </>
  );
}

/** What a tune is called and where it comes from; nothing for a drill without a name of its own. */
function MusicTitle({ item }: { item: Page }) {
  if (item.music_title === '') return null;
  return (
    <p>
      <strong>{item.music_title}</strong> <span className="quiet">{item.music_credit}</span>
    </p>
  );
}
