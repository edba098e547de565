import { SureButton } from '../components/SureButton';
import { shortDate } from '../words/words';
import css from './Listening.module.css';
import { letSoundGo, PART_WORDS, type Takes } from './takes';

interface Props {
  takes: Takes;
  onChange: (run: () => Promise<unknown>) => void;
}

/** What was heard in lessons before and at home, with the sounds that were kept. */
export function Earlier({ takes, onChange }: Props) {
  if (takes.earlier.length === 0) return null;
  return (
    <section aria-label="Earlier takes">
      <h3>Before</h3>
      <ul className={css.earlier}>
        {takes.earlier.map((each) => (
          <li key={each.id}>
            <strong>{shortDate(each.date)}</strong>
            {each.is_home ? ', at home: ' : ' '}
            {takes.parts.length > 1 && `${PART_WORDS[each.part] ?? ''}: `}
            {each.words}
            {each.is_simulated && ' (made-up player)'}
            {each.sound && (
              <div className={css.row}>
                <audio
                  src={each.sound}
                  controls
                  preload="none"
                  aria-label={`Sound of ${shortDate(each.date)}`}
                />
                <SureButton
                  sure="Yes, let it go for good"
                  of={`the sound of ${shortDate(each.date)}`}
                  onSure={() => onChange(() => letSoundGo(each.lesson, takes.evidence, each.id))}
                >
                  Let it go
                </SureButton>
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
