import type { Lesson, Schemas } from '../api/client';
import { GradeString } from '../components/GradeString';
import css from './Reasons.module.css';
import * as say from '../messages/compiled/lesson';

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
      <ul className={css.reasons} aria-label={say.speaksForIt()}>
        {cause.speaks_for.slice(0, SHOWN).map((reason) => row(reason, 'for'))}
        {cause.speaks_for.length === 0 && <li>{say.nothingSeenSoFarSpeaks()}</li>}
      </ul>
      {cause.speaks_against.length > 0 && <p className={css.against}>{say.speaksAgainstIt()}</p>}
      <ul className={css.reasons} aria-label={say.speaksAgainstIt()}>
        {cause.speaks_against.slice(0, SHOWN).map((reason) => row(reason, 'against'))}
        {cause.speaks_against.length === 0 && (
          <li className={css.none}>{say.nothingSpeaksAgainstIt()}</li>
        )}
      </ul>
    </>
  );
}
