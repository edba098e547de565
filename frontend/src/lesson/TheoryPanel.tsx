import type { Lesson } from '../api/client';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { leadFirst } from './leadFirst';
import { Reasons } from './Reasons';
import css from './TheoryPanel.module.css';
import * as say from '../messages/compiled/lesson';

const OTHERS = 4;

/** Over the hand: what speaks for and against the leading cause, and what else it may be. */
export function TheoryPanel({ lesson, onClose }: { lesson: Lesson; onClose: () => void }) {
  const causes = leadFirst(lesson).filter((cause) => cause.teacher_word !== 'dismissed');
  const [lead, ...others] = causes;
  if (!lead) return null;
  return (
    <section className={css.panel} aria-label={say.why()}>
      <div className={css.head}>
        <h2>{lead.name}</h2>
        <button type="button" className={touch.word} onClick={onClose}>
          {say.backToTheHand()}
        </button>
      </div>
      <Scroll className={css.body}>
        <p>{lead.meaning}</p>
        <Reasons lesson={lesson} cause={lead} />
        <p className={css.or}>{say.orAlone()}</p>
        <ul className={css.others}>
          {others.slice(0, OTHERS).map((cause) => (
            <li key={cause.id}>
              <span>{cause.name}</span>
              <span className="quiet">
                {cause.word}, {Math.round(cause.probability * 100)} %
              </span>
            </li>
          ))}
        </ul>
      </Scroll>
    </section>
  );
}
