import * as say from '../messages/compiled/lesson';
import type { Catalogue } from '../api/client';
import touch from '../components/touch.module.css';
import { Rich } from '../messages/Rich';
import { MOVE_WORDS } from '../words/words';
import css from './GiveStep.module.css';
import { itemsOf } from './planDraft';
import type { LessonHandle } from './useLesson';

/** What is not in the week, and why: behind one touch. */
export function NotGiven({ handle, catalogue }: { handle: LessonHandle; catalogue: Catalogue }) {
  const { lesson, enter } = handle;
  const { withheld, check_first } = lesson.proposal;
  const given = new Set(itemsOf(lesson).map((item) => item.exercise));
  const left = lesson.review.filter((row) => !given.has(row.exercise));
  const count = withheld.length + left.length + lesson.disliked.length;
  const label = (id: string) => catalogue.evidence.find((e) => e.id === id)?.label ?? id;
  return (
    <>
      {check_first.length > 0 && (
        <p className="quiet">
          {say.checkFirstItWasNot({ checkFirst: check_first.map(label).join('; ') })}
        </p>
      )}
      {count > 0 && (
        <details className={css.fold}>
          <summary>{say.notGivenAndWhy({ count })}</summary>
          <ul>
            {left.map((row) => (
              <li key={row.exercise}>
                <Rich
                  says={say.fromLastWeek({
                    name: row.name,
                    move: MOVE_WORDS[row.move] ?? '',
                    reason: row.reason,
                  })}
                />
              </li>
            ))}
            {withheld.map((each) => (
              <li key={each.exercise}>
                <strong>{each.name}</strong>: {each.reason}
              </li>
            ))}
            {lesson.disliked.map((id) => (
              <li key={id}>
                <Rich
                  says={say.notLikedLikedAgain({
                    name: catalogue.exercises.find((e) => e.id === id)?.name ?? id,
                  })}
                  as={{
                    button: (words) => (
                      <button
                        type="button"
                        className={touch.word}
                        onClick={() => enter('disliked', id, false)}
                      >
                        {words}
                      </button>
                    ),
                  }}
                />
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
