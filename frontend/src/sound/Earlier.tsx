import { SureButton } from '../components/SureButton';
import { shortDate } from '../words/words';
import css from './Listening.module.css';
import { letSoundGo, PART_WORDS, type Takes } from './takes';
import * as say from '../messages/compiled/sound';
import { Rich } from '../messages/Rich';

interface Props {
  takes: Takes;
  onChange: (run: () => Promise<unknown>) => void;
}

/** What was heard in lessons before and at home, with the sounds that were kept. */
export function Earlier({ takes, onChange }: Props) {
  if (takes.earlier.length === 0) return null;
  return (
    <section aria-label={say.earlierTakes()}>
      <h3>{say.before()}</h3>
      <ul className={css.earlier}>
        {takes.earlier.map((each) => (
          <li key={each.id}>
            <Rich
              says={
                each.is_home
                  ? say.atHome({ date: shortDate(each.date) })
                  : `<strong>${shortDate(each.date)}</strong> `
              }
            />
            {takes.parts.length > 1 && `${PART_WORDS[each.part] ?? ''}: `}
            {each.words}
            {each.is_simulated && ` (${say.madeUpPlayer()})`}
            {each.sound && (
              <div className={css.row}>
                <audio
                  src={each.sound}
                  controls
                  preload="none"
                  aria-label={say.soundOf({ date: shortDate(each.date) })}
                />
                <SureButton
                  sure={say.yesLetItGoFor()}
                  of={say.theSoundOf({ date: shortDate(each.date) })}
                  onSure={() => onChange(() => letSoundGo(each.lesson, takes.evidence, each.id))}
                >
                  {say.letItGo()}
                </SureButton>
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
