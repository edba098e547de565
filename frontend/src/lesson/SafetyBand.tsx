import { late } from '../components/late';
import touch from '../components/touch.module.css';
import { painSaid, shortDate } from '../words/words';
import css from './SafetyBand.module.css';
import type { LessonHandle } from './useLesson';

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
            <h2>Stop, and ask a doctor or physiotherapist</h2>
            <p>
              Reported: {reasons.join('; ')}. The plan is paused until you lift this with a dated
              note.
            </p>
          </div>
          {flag && <LiftFlag playerId={lesson.player.id} stop={flag} />}
        </section>
      )}
      {level === 'amber' && (
        <section className={css.amber} role="status">
          <strong>Ease off:</strong> {reasons.join('; ')}. Half the dose, only release and
          placement, no stretch, no still hold.
        </section>
      )}
      <HomePain handle={handle} />
      {lesson.safety.asks_pain && <AskPain handle={handle} onTell={onTell} />}
      {clinician && (
        <section className={css.amber} role="status">
          <strong>Loose all over, by the nine-point score.</strong> It screens and says no more: a
          doctor or physiotherapist should have a look. No stretch, no joint set by hand, no force
          from a helper.
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
      <strong>At home it hurt</strong> on {shortDate(pain.date)}: {painSaid(pain.pain)}.
      {pain.later === null && ' Was it still there the next day, at rest or at night?'}
    </section>
  );
}

/** The complaint speaks of an ache and nobody has asked: one question more. */
function AskPain({ handle, onTell }: Props) {
  const { lesson, enter } = handle;
  const noPain = () => enter('reports', '', { ...lesson.reports, pain: 0 });
  return (
    <section className={css.amber} aria-label="One question more">
      <strong>The complaint speaks of an ache or tiredness. Does it hurt?</strong>
      <span className={css.answers}>
        <button type="button" className={touch.button} onClick={noPain}>
          No pain, only tired
        </button>
        <button type="button" className={touch.button} onClick={onTell}>
          It hurts
        </button>
      </span>
    </section>
  );
}
