import { useQuery } from '@tanstack/react-query';

import type { Catalogue } from '../api/client';
import { checkPairQuery } from '../api/handQueries';
import { GradeString } from '../components/GradeString';
import { CheckPair, ENDS } from '../drawings/PairPicture';
import { gradeWord, STAGE_WORDS } from '../words/words';
import css from './LibraryPage.module.css';
import { LinkRow } from './LinkRow';
import * as say from '../messages/compiled/library';

interface Props {
  catalogue: Catalogue;
  id: string;
  instrument: string;
  onCause: (id: string) => void;
}

/** One check: how to look, what the grades mean, what can lie behind it. */
export function CheckCard({ catalogue, id, instrument, onCause }: Props) {
  const check = catalogue.evidence.find((e) => e.id === id);
  const picture = useQuery(
    checkPairQuery(id, instrument, check?.of_finger ?? null, { frames: ENDS }),
  );
  if (!check) return null;
  // The words come with the picture that stands among them: nothing moves once it can be read.
  if (picture.isLoading) return <div data-pending />;
  const causes = check.causes.flatMap((cause) => catalogue.causes.filter((c) => c.id === cause));
  return (
    <>
      <p className={css.kindline}>
        {say.checkAboutS({
          stage: STAGE_WORDS[check.stage] ?? '',
          seconds: check.seconds,
        })}
      </p>
      <h2>{check.label}</h2>
      <p className={css.how}>{check.look}</p>
      <CheckPair
        evidence={check.id}
        instrument={instrument}
        finger={check.of_finger}
        width="min(14.2rem, 46%)"
      />
      {check.means.length > 0 && (
        <ul className={css.grades}>
          {[check.free, ...check.means].map(
            (meaning, grade) =>
              meaning && (
                <li key={meaning}>
                  <GradeString grade={grade} width={60} height={22} bead={5.5} />
                  <strong>{gradeWord(grade)}</strong>
                  <span>{meaning}</span>
                </li>
              ),
          )}
        </ul>
      )}
      {check.note && <p>{check.note}</p>}
      {check.child && <p className={css.child}>“{check.child}”</p>}
      <h3>{say.whatCanLieBehindIt()}</h3>
      <LinkRow entries={causes.map(({ id, name }) => ({ id, words: name }))} onOpen={onCause} />
    </>
  );
}
