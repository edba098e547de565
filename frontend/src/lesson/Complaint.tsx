import { useRef } from 'react';

import type { Catalogue } from '../api/client';
import { Key } from '../components/Key';
import { SearchSelect } from '../components/SearchSelect';
import { useKeys } from '../components/useKeys';
import { FINGERS } from '../words/fingers';
import css from './Complaint.module.css';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

interface Props {
  handle: LessonHandle;
  catalogue: Catalogue;
  onAnswered: () => void;
}

/** In the player's words: the most common ones to touch, all others by a few letters. */
export function Complaint({ handle, catalogue, onAnswered }: Props) {
  const { lesson, enter } = handle;
  const mine = catalogue.evidence.filter(
    (e) => e.instruments.includes(lesson.player.instrument) && e.stage !== 'trial',
  );
  const words = catalogue.complaints.filter((c) => mine.some((e) => e.id === c.evidence));
  const said = new Set(words.map((c) => c.evidence));
  const other = useRef<HTMLDivElement>(null);
  const asksFinger = (id: string | null) => mine.some((e) => e.id === id && e.per_finger);
  const choose = (id: string | null) => {
    enter('complaint', '', id);
    if (id !== null && !asksFinger(id)) onAnswered();
  };
  const common = words.filter((c) => c.common);
  const isFinger = asksFinger(lesson.complaint);
  useKeys({
    c: () => other.current?.querySelector('input')?.focus(),
    ...(isFinger
      ? {}
      : Object.fromEntries(
          common.slice(0, 10).map((c, at) => [String((at + 1) % 10), () => choose(c.evidence)]),
        )),
  });
  return (
    <div ref={other} className={css.complaint}>
      {isFinger && (
        <ComplaintFinger finger={lesson.complaint_finger} enter={enter} onAnswered={onAnswered} />
      )}
      <div className={css.common} role="group" aria-label={say.commonComplaints()}>
        {common.map((c, at) => (
          <button
            key={c.evidence}
            type="button"
            aria-pressed={lesson.complaint === c.evidence}
            onClick={() => choose(lesson.complaint === c.evidence ? null : c.evidence)}
          >
            <span>{c.says}</span>
            {at < 10 && !isFinger && <Key name={String((at + 1) % 10)} />}
          </button>
        ))}
      </div>
      <SearchSelect
        aria-label={say.complaint()}
        placeholder={say.somethingElseTypeAFew()}
        size="md"
        clearable
        data={[
          {
            group: say.asPlayersSayIt(),
            items: words.map((c) => ({ value: c.evidence, label: c.says })),
          },
          {
            group: say.asTeachersSeeIt(),
            items: mine
              .filter((e) => !said.has(e.id))
              .map((e) => ({ value: e.id, label: e.label })),
          },
        ]}
        value={lesson.complaint}
        onChange={(value) => enter('complaint', '', value)}
      />
    </div>
  );
}

interface FingerProps {
  finger: number | null;
  enter: LessonHandle['enter'];
  onAnswered: () => void;
}

function ComplaintFinger({ finger, enter, onAnswered }: FingerProps) {
  const tell = (each: number) => () => {
    enter('complaint_finger', '', finger === each ? null : each);
    if (finger !== each) onAnswered();
  };
  useKeys({ '1': tell(1), '2': tell(2), '3': tell(3), '4': tell(4) });
  return (
    <div className={css.fingers} role="group" aria-label={say.whichFinger()}>
      <span>{say.whichFingerAlone()}</span>
      {FINGERS.map((each) => (
        <button
          key={each}
          type="button"
          aria-label={say.finger({ each })}
          aria-pressed={finger === each}
          aria-keyshortcuts={String(each)}
          onClick={tell(each)}
        >
          {each}
        </button>
      ))}
    </div>
  );
}
