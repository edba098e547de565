import { useState } from 'react';

import type { Catalogue, Lesson } from '../api/client';
import { Key } from '../components/Key';
import { NextAction } from '../components/NextAction';
import screen from '../components/screen.module.css';
import { Scroll } from '../components/Scroll';
import { Sure } from '../components/Sure';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { CauseList } from './CauseList';
import { CauseWords } from './CauseWords';
import { Others, Settle, named } from './DecideOthers';
import css from './DecideStep.module.css';
import { Reasons } from './Reasons';
import { SeenStage } from './SeenStage';
import type { LessonHandle } from './useLesson';
import { useTaking } from './useTakingFocus';
import * as say from '../messages/compiled/lesson';
import { listed } from '../words/lists';

interface Props {
  handle: LessonHandle;
  catalogue: Catalogue;
  onDone: () => void;
  /** Goes on looking: at one check, or at what comes next. */
  onLookAt: (check: string | null) => void;
}

/** One focus for the week, at most two. The engine proposes and says why; the teacher decides. */
export function DecideStep({ handle, catalogue, onDone, onLookAt }: Props) {
  const { lesson, enter, weighing } = handle;
  const [opened, setOpened] = useState<string | null>(null);
  const [isAll, setIsAll] = useState(false);
  const taking = useTaking(handle, onDone);
  const [lead] = lesson.focus;
  const shown = lesson.causes.find((cause) => cause.id === (opened ?? lead?.cause));
  const settling = lesson.settle ?? (opened === null ? shown?.settle : null);
  const check = catalogue.evidence.find((each) => each.id === settling);
  const choose = (cause: string | null) => {
    setOpened(cause === lead?.cause ? null : cause);
    setIsAll(false);
  };
  const said = shown?.teacher_word;
  function tell(word: 'pinned' | 'dismissed') {
    if (!shown) return;
    const takenBack = shown.ruled_out_on ? ({ word: 'open' } as const) : null;
    enter('cause', shown.id, said === word ? takenBack : { word });
    if (lesson.decided) enter('focus', '', null);
    choose(null);
  }
  const isOther = opened !== null && !lesson.focus.some((focus) => focus.cause === opened);
  const go = isOther ? () => tell('pinned') : lead ? taking.take : () => onLookAt(null);
  useKeys({
    Enter: go,
    c: () => setIsAll(!isAll),
    t: check && (() => onLookAt(check.id)),
    Escape: () => choose(null),
  });
  return (
    <div className={screen.screen}>
      <SeenStage lesson={lesson} catalogue={catalogue} />
      <section className={`${screen.right} ${css.decide}`} aria-label={say.theFocusOfTheWeek()}>
        {isAll ? (
          <CauseList lesson={lesson} now={shown?.id} onChoose={choose} />
        ) : (
          <>
            <div className={css.head} data-weighing={weighing || undefined}>
              <h2>{noteOf(lesson, opened, taking.isChanged)}</h2>
              <h3>{shown ? named(lesson, shown.id, shown.name) : say.noFocusYet()}</h3>
              {shown && (
                <p className={css.sure}>
                  <Sure word={shown.word} />
                </p>
              )}
              <p className={css.meaning}>{shown?.meaning ?? say.noCauseIsLikelyLook()}</p>
              <Said lesson={lesson} opened={opened} />
            </div>
            <Scroll className={css.reasons}>
              {shown && <Reasons lesson={lesson} cause={shown} />}
              {shown && <CauseWords key={shown.id} cause={shown} enter={enter} />}
            </Scroll>
            <Others lesson={lesson} handle={handle} opened={opened} onChoose={choose} />
            <div className={css.all}>
              <button type="button" aria-keyshortcuts="c" onClick={() => setIsAll(true)}>
                {say.allCauses({ count: lesson.causes.length })}
                <Key name="c" />
              </button>
              {shown && (
                <button type="button" className={touch.word} onClick={() => tell('dismissed')}>
                  {said === 'dismissed' ? say.itMayBeThisAfter() : say.itIsNotThis()}
                </button>
              )}
            </div>
          </>
        )}
      </section>
      <div className={screen.foot}>
        <Settle check={check} handle={handle} onLookAt={onLookAt} onWithout={taking.take} />
        <NextAction isNext={!weighing} onClick={go}>
          {isOther ? say.chooseIt() : lead ? say.takeIt() : say.lookOn()}
        </NextAction>
      </div>
    </div>
  );
}

function noteOf(lesson: Lesson, opened: string | null, isChanged: boolean): string {
  if (isChanged) return say.thisWeeksFocusHasChanged();
  if (opened !== null) return say.insteadOfThisWeeksFocus();
  return lesson.focus.length > 1 ? say.thisWeeksFocusFirstOf() : say.thisWeeksFocus();
}

/** What else is to be known of the focus, in the lesson's own words. */
function Said({ lesson, opened }: { lesson: Lesson; opened: string | null }) {
  if (opened !== null) return null;
  const [lead] = lesson.focus;
  const isChoice = lead !== undefined && (!lead.is_engines || lesson.chosen);
  const words = [
    lesson.moved_from.length > 0 &&
      say.movedWithWhatYouCorrected({ movedFrom: listed(lesson.moved_from) }),
    isChoice ? say.yourChoiceJolfsOwnView() : lesson.kept_words,
  ].filter((each) => typeof each === 'string' && each !== '');
  return words.map((each) => (
    <p key={String(each)} className={css.said} role="status">
      {each}
    </p>
  ));
}
