import type { Schemas } from '../api/client';
import touch from './touch.module.css';
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
          <dt id={`way-${way.key}`}>{way.label}</dt>
          <dd>
            <div role="group" aria-labelledby={`way-${way.key}`} className={css.values}>
              {way.values.map((value) => (
                <button
                  key={value.id}
                  type="button"
                  className={touch.word}
                  aria-pressed={value.id === way.chosen}
                  onClick={() => onChoose(way.key, value.id)}
                >
                  {value.words}
                </button>
              ))}
            </div>
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
