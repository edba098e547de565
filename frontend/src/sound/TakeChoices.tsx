import { WordChoice } from '../components/WordChoice';
import css from './Listening.module.css';
import { PART_WORDS, type Takes } from './takes';
import * as say from '../messages/compiled/sound';

interface PartsProps {
  takes: Takes;
  chosen: string;
  onChoose: (part: string) => void;
}

/** Slow or fast, where both are asked for. */
export function Parts({ takes, chosen, onChoose }: PartsProps) {
  if (takes.parts.length < 2) return null;
  const choices = takes.parts.map(({ part, tempo }) => ({
    id: part,
    words: `${PART_WORDS[part] ?? part}, ♩ = ${tempo}`,
  }));
  return (
    <WordChoice
      className={css.row}
      label={say.whichTake()}
      choices={choices}
      chosen={chosen}
      onChoose={onChoose}
    />
  );
}

const CONDITIONS = [
  { id: 'same', words: say.theSameAgain() },
  { id: 'changed', words: say.oneThingWasChanged() },
];

interface SameOrChangedProps {
  isChanged: boolean;
  onChoose: (isChanged: boolean) => void;
}

/** Takes of one condition give a mean; after a change the new ones are the finding. */
export function SameOrChanged({ isChanged, onChoose }: SameOrChangedProps) {
  return (
    <WordChoice
      className={css.row}
      label={say.whatIsDifferent()}
      choices={CONDITIONS}
      chosen={isChanged ? 'changed' : 'same'}
      onChoose={(condition) => onChoose(condition === 'changed')}
    />
  );
}
