import { useMemo, useState } from 'react';

import type { Catalogue, Lesson } from '../api/client';
import { Key } from '../components/Key';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { HandDrawing } from '../drawings/HandDrawing';
import { familyOf } from '../drawings/places';
import { signsOf } from '../drawings/signs';
import { useSeenHand } from '../drawings/useSeenHand';
import { checksAt, gradeAt } from './lookList';
import css from './LookStage.module.css';
import { originOf } from './originOf';
import screen from '../components/screen.module.css';
import * as say from '../messages/compiled/lesson';

/** The hand as it was seen, with where it may start and where it shows; or as it should be. */
export function SeenStage({ lesson, catalogue }: { lesson: Lesson; catalogue: Catalogue }) {
  const { instrument } = lesson.player;
  const [atEase, setAtEase] = useState(false);
  const mine = useMemo(
    () => catalogue.evidence.filter((e) => e.instruments.includes(instrument)),
    [catalogue, instrument],
  );
  const signs = atEase ? '' : signsOf(lesson.findings);
  const { hand, along } = useSeenHand(instrument, signs);
  const origin = hand.data ? originOf(lesson, catalogue, hand.data) : null;
  useKeys({ v: () => setAtEase(!atEase) });
  return (
    <section className={`${screen.left} ${css.stage}`} aria-label={say.theHandAsItWas()}>
      <div className={css.over}>
        {hand.data && (
          <HandDrawing
            family={familyOf(instrument)}
            hand={hand.data}
            along={along.data}
            atEase={atEase}
            label={atEase ? say.theHandAsItShould() : say.theHandAsItWas()}
            isUsed={(spot) => checksAt(mine, spot).length > 0}
            stateOf={(spot) => ({ grade: gradeAt(lesson, mine, spot), due: false })}
            asked={null}
            fingers={lesson.focus[0]?.fingers ?? []}
            origin={atEase ? null : origin}
          />
        )}
        {hand.isPending && <p className={css.pending} data-pending role="status" />}
      </div>
      <div className={css.bar}>
        <p>{wordsBelow(atEase, origin !== null)}</p>
        <div>
          <button
            type="button"
            className={touch.word}
            aria-pressed={atEase}
            aria-keyshortcuts="v"
            onClick={() => setAtEase(!atEase)}
          >
            {say.asItShouldBe()}
            <Key name="v" />
          </button>
        </div>
      </div>
    </section>
  );
}

function wordsBelow(atEase: boolean, starts: boolean): string {
  if (atEase) return say.theSameHandAtEase();
  return starts ? say.mayStartAtTheDouble() : say.asItWasSeen();
}
