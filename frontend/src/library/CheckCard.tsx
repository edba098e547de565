import type { Catalogue } from '../api/client';
import { GradeMarks } from '../components/GradeMarks';
import { CheckPair } from '../drawings/PairPicture';
import { gradeWord, STAGE_WORDS } from '../words/words';
import css from './LibraryPage.module.css';
import { LinkRow } from './LinkRow';

interface Props {
  catalogue: Catalogue;
  id: string;
  instrument: string | null;
  onCause: (id: string) => void;
}

/** One check: how to look, what the grades mean, what can lie behind it. */
export function CheckCard({ catalogue, id, instrument, onCause }: Props) {
  const check = catalogue.evidence.find((e) => e.id === id);
  if (!check) return null;
  const causes = check.causes.flatMap((cause) => catalogue.causes.filter((c) => c.id === cause));
  return (
    <>
      <div className={css.head}>
        <div>
          <h2>{check.label}</h2>
          <p className="quiet">
            {STAGE_WORDS[check.stage]}, about {check.seconds} s
          </p>
          <p>{check.look}</p>
          {check.note && <p>{check.note}</p>}
          {check.child && <p className={css.child}>“{check.child}”</p>}
        </div>
      </div>
      <CheckPair
        evidence={check.id}
        instrument={instrument ?? check.instruments[0] ?? 'vn'}
        finger={check.of_finger}
        width="13rem"
      />
      {check.means.length > 0 && (
        <ul className={css.grades}>
          {[check.free, ...check.means].map(
            (meaning, grade) =>
              meaning && (
                <li key={meaning}>
                  <GradeMarks grade={grade} />
                  <strong>{gradeWord(grade)}</strong> {meaning}
                </li>
              ),
          )}
        </ul>
      )}
      <h3>What can lie behind it</h3>
      <LinkRow entries={causes.map(({ id, name }) => ({ id, words: name }))} onOpen={onCause} />
    </>
  );
}
