import type { Lesson } from '../api/client';
import { LiftFlag } from '../player/LiftFlag';
import css from './SafetyBand.module.css';

/** Red: stop and refer. Amber: ease off. Nothing when all is well. */
export function SafetyBand({ lesson }: { lesson: Lesson }) {
  const { level, reasons } = lesson.safety;
  if (level === 'none' || reasons.length === 0) return null;
  if (level === 'red') {
    return (
      <section className={css.red} role="alert">
        <div>
          <h2>Stop, and ask a doctor or physiotherapist</h2>
          <p>
            Reported: {reasons.join('; ')}. The plan is paused until you lift this with a dated
            note.
          </p>
        </div>
        {lesson.safety.flag && <LiftFlag playerId={lesson.player.id} />}
      </section>
    );
  }
  return (
    <section className={css.amber} role="status">
      <strong>Ease off.</strong> {reasons.join('; ')}. Half the dose, only release and placement, no
      stretch, no still hold.
    </section>
  );
}
