import type { Catalogue } from '../api/client';
import touch from '../components/touch.module.css';
import { PlaceLens } from '../drawings/PlaceLens';
import css from './Hits.module.css';
import { Marked } from './Marked';
import { type Hit, isSame, type Shelf } from './shelves';
import * as say from '../messages/compiled/library';

const KIND_WORDS: Record<Shelf, string> = {
  exercises: say.exerciseInside(),
  causes: say.causeInside(),
  checks: say.checkInside(),
  ways: say.wayInside(),
  help: say.helpInside(),
  players: say.playerInside(),
  drills: say.drillInside(),
  tunes: say.tuneInside(),
};

interface Props {
  hits: Hit[];
  open: Hit | null;
  instrument: string;
  /** To be marked. */
  words: string[];
  onOpen: (hit: Hit) => void;
}

/** One list of all kinds, each with the place of the hand it is about. */
export function Hits({ hits, open, instrument, words, onOpen }: Props) {
  return (
    <ul className={css.hits}>
      {hits.map((hit) => (
        <li key={hit.shelf + hit.entry.id}>
          <button
            type="button"
            className={touch.line}
            aria-pressed={isSame(hit, open)}
            onClick={() => onOpen(hit)}
          >
            <PlaceLens instrument={instrument} place={hit.entry.place} />
            <span className={css.words}>
              <strong>
                <Marked text={hit.entry.name} words={words} />
              </strong>
              <small>
                <Marked text={hit.entry.line} words={words} />
              </small>
            </span>
            <span className={css.kind}>{KIND_WORDS[hit.shelf]}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

interface SaidProps {
  catalogue: Catalogue;
  onSay: (words: string) => void;
}

/** Before a word is written: what players say, which is how a search begins. */
export function Said({ catalogue, onSay }: SaidProps) {
  const common = catalogue.complaints.filter((each) => each.common);
  return (
    <>
      <h2 className={css.title}>{say.whatPlayersSay()}</h2>
      <ul className={css.said}>
        {common.map((each) => (
          <li key={each.says}>
            <button type="button" className={touch.line} onClick={() => onSay(each.says)}>
              “{each.says}”
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
