import { late } from '../components/late';
import touch from '../components/touch.module.css';
import { painSaid, shortDate } from '../words/words';
import css from './SafetyBand.module.css';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';
import { Rich } from '../messages/Rich';

const LiftFlag = late(async () => (await import('../components/LiftFlag')).LiftFlag);

interface Props {
  handle: LessonHandle;
  /** Opens the questions about the body. */
  onTell: () => void;
}

/** Red: stop and refer. Amber: ease off. Questions that safety has open. Nothing when all is well. */
export function SafetyBand({ handle, onTell }: Props) {
  const { lesson } = handle;
  const { level, reasons, flag, clinician } = lesson.safety;
  return (
    <>
      {level === 'red' && (
        <section className={css.red} role="alert">
          <div>
            <h2>{say.stopAndAskADoctor()}</h2>
            <p>{say.reportedThePlanIsPaused({ reasons: reasons.join('; ') })}</p>
          </div>
          {flag && <LiftFlag playerId={lesson.player.id} stop={flag} />}
        </section>
      )}
      {level === 'amber' && (
        <section className={css.amber} role="status">
          <Rich says={say.easeOffHalfTheDose({ reasons: reasons.join('; ') })} />
        </section>
      )}
      <HomePain handle={handle} />
      {lesson.safety.asks_pain && <AskPain handle={handle} onTell={onTell} />}
      {clinician && (
        <section className={css.amber} role="status">
          <Rich says={say.looseAllOverByThe()} />
        </section>
      )}
    </>
  );
}

/** Pain that was logged at home, where today's answers do not say it anyway. */
function HomePain({ handle }: { handle: LessonHandle }) {
  const { pain, level } = handle.lesson.safety;
  if (pain === null || level === 'red') return null;
  return (
    <section className={css.amber} role="status">
      <Rich says={say.atHomeItHurtOn({ date: shortDate(pain.date), pain: painSaid(pain.pain) })} />
      {pain.later === null && ` ${say.wasItStillThereThe()}`}
    </section>
  );
}

/** The complaint speaks of an ache and nobody has asked: one question more. */
function AskPain({ handle, onTell }: Props) {
  const { lesson, enter } = handle;
  const noPain = () => enter('reports', '', { ...lesson.reports, pain: 0 });
  return (
    <section className={css.amber} aria-label={say.oneQuestionMore()}>
      <strong>{say.theComplaintSpeaksOfAn()}</strong>
      <span className={css.answers}>
        <button type="button" className={touch.button} onClick={noPain}>
          {say.noPainOnlyTired()}
        </button>
        <button type="button" className={touch.button} onClick={onTell}>
          {say.itHurts()}
        </button>
      </span>
    </section>
  );
}
