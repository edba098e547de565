import type { Lesson, Schemas } from '../api/client';
import { GradeString } from '../components/GradeString';
import css from './Reasons.module.css';

const SHOWN = 5;

interface Props {
  lesson: Lesson;
  cause: Schemas['CauseOut'];
}

/** What speaks for a cause, strongest first, then what speaks against it; each with its grade. */
export function Reasons({ lesson, cause }: Props) {
  const gradeOf = (reason: Schemas['ReasonOut']) => lesson.findings[reason.evidence]?.grade ?? null;
  const row = (reason: Schemas['ReasonOut'], kind: string) => (
    <li key={reason.evidence} data-kind={kind}>
      <GradeString grade={gradeOf(reason)} width={62} height={22} bead={5.5} />
      <span>{reason.phrase}</span>
    </li>
  );
  return (
    <>
      <ul className={css.reasons} aria-label="Speaks for it">
        {cause.speaks_for.slice(0, SHOWN).map((reason) => row(reason, 'for'))}
        {cause.speaks_for.length === 0 && <li>Nothing seen so far speaks for it.</li>}
      </ul>
      {cause.speaks_against.length > 0 && <p className={css.against}>Speaks against it</p>}
      <ul className={css.reasons} aria-label="Speaks against it">
        {cause.speaks_against.slice(0, SHOWN).map((reason) => row(reason, 'against'))}
        {cause.speaks_against.length === 0 && (
          <li className={css.none}>Nothing speaks against it.</li>
        )}
      </ul>
    </>
  );
}
