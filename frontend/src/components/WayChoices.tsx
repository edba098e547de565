import type { Schemas } from '../api/client';
import { WordChoice } from './WordChoice';
import css from './WayChoices.module.css';

interface Props {
  ways: Schemas['WayOut'][];
  onChoose: (key: string, value: string | null) => void;
  /** Words of the button that goes back to what holds otherwise. */
  backWords: string;
}

/** Points on which good teachers differ, each with its choices. */
export function WayChoices({ ways, onChoose, backWords }: Props) {
  return (
    <dl className={css.ways}>
      {ways.map((way) => (
        <div key={way.key}>
          <dt>{way.label}</dt>
          <dd>
            <WordChoice
              className={css.values}
              label={way.label}
              choices={way.values}
              chosen={way.chosen}
              onChoose={(value) => onChoose(way.key, value)}
            />
            {way.is_own && (
              <button type="button" className={css.back} onClick={() => onChoose(way.key, null)}>
                {backWords}
              </button>
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
}
