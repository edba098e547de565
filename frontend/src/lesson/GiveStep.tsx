import { useEffect, useRef, useState } from 'react';
import { useLocation } from 'wouter';

import type { Catalogue, Lesson } from '../api/client';
import { NextAction } from '../components/NextAction';
import { Key } from '../components/Key';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { minutesWords, upperFirst } from '../words/words';
import { AskedAgain } from './AskedAgain';
import css from './GiveStep.module.css';
import { ItemPanel } from './ItemPanel';
import { itemsOf, movedTo, type PlanItem, type Wish, wishOf } from './planDraft';
import screen from '../components/screen.module.css';
import { useItemKeys } from './useItemKeys';
import type { LessonHandle } from './useLesson';
import { WeekPanel } from './WeekPanel';
import { WeekRow } from './WeekRow';
import * as say from '../messages/compiled/lesson';
import { Rich } from '../messages/Rich';
import { listed } from '../words/lists';

/** The week: one to three exercises as rows; the opened one, or the week as a whole, beside them. */
export function GiveStep({ handle, catalogue }: { handle: LessonHandle; catalogue: Catalogue }) {
  const { lesson, enter } = handle;
  const items = itemsOf(lesson);
  const paused = lesson.safety.level === 'red';
  const waits = lesson.waits_for !== '';
  const store = (wishes: Wish[]) => enter('plan', '', wishes);
  const give = useGiving(handle, items);
  const makeAnew = () => store(lesson.proposal.items.map(wishOf));
  const isStale = lesson.plan !== null && lesson.plan.made_for.length > 0;
  const { active, open, keys } = useItemKeys(items, store);
  const rests = paused || waits;
  useKeys(
    paused
      ? { Enter: give }
      : waits
        ? {}
        : { ...keys, Enter: give, m: isStale ? makeAnew : undefined },
  );

  const opened = items.find((item) => item.exercise === active);
  const dislike = (exercise: string) => {
    enter('disliked', exercise, true);
    if (lesson.plan) store(items.filter((i) => i.exercise !== exercise).map(wishOf));
  };
  return (
    <div className={screen.screen}>
      <section className={`${screen.left} ${css.left}`} aria-label={say.exercisesOfTheWeek()}>
        {rests ? (
          <Rests handle={handle} paused={paused} />
        ) : (
          <>
            <Because lesson={lesson} items={items} isStale={isStale} onAnew={makeAnew} />
            <ol className={css.items}>
              {items.map((item, index) => (
                <WeekRow
                  key={item.exercise}
                  item={item}
                  place={index + 1}
                  lesson={lesson}
                  said={becauseOf(items)}
                  opened={item.exercise === active}
                  onOpen={() => open(item.exercise === active ? null : item.exercise)}
                  onDrop={(dragged) => {
                    if (dragged !== item.exercise && items.some((i) => i.exercise === dragged)) {
                      store(movedTo(items, dragged, index));
                    }
                  }}
                />
              ))}
            </ol>
          </>
        )}
      </section>
      <section className={`${screen.right} ${css.panel}`} aria-label={say.aboutTheWeek()}>
        {opened && !rests ? (
          <ItemPanel
            key={opened.exercise}
            item={opened}
            items={items}
            lesson={lesson}
            store={store}
            onDislike={dislike}
            onClose={() => open(null)}
          />
        ) : (
          !rests && <WeekPanel handle={handle} catalogue={catalogue} store={store} />
        )}
      </section>
      <div className={screen.foot}>
        <Minutes lesson={lesson} rests={rests} />
        <NextAction
          isNext={!handle.weighing}
          disabled={waits && !paused ? true : !paused && items.length === 0}
          onClick={give}
        >
          {paused ? say.makeTheSheet() : say.giveIt()}
        </NextAction>
      </div>
    </div>
  );
}

/** Giving waits until what is on its way has arrived, then stores the week, then shows the sheet. */
function useGiving({ lesson, enter, weighing }: LessonHandle, items: PlanItem[]): () => void {
  const [, navigate] = useLocation();
  const [giving, setGiving] = useState(false);
  const paused = lesson.safety.level === 'red';
  const ready = giving && !paused && !weighing && items.length > 0;
  const given = lesson.plan !== null;
  const waiting = useRef(false);
  useEffect(() => {
    if (!ready) return;
    if (given) {
      navigate(`/lessons/${lesson.id}/sheet`);
    } else if (!waiting.current) {
      waiting.current = true;
      enter('plan', '', items.map(wishOf));
    }
  }, [ready, given, navigate, lesson.id, enter, items]);
  // While a stop is up nothing is given, now or when it is lifted: the sheet says so instead.
  return () => (paused ? navigate(`/lessons/${lesson.id}/sheet`) : setGiving(true));
}

function becauseOf(items: PlanItem[]): string {
  return items.map((item) => item.because).find((each) => each !== '') ?? '';
}

interface BecauseProps {
  lesson: Lesson;
  items: PlanItem[];
  isStale: boolean;
  onAnew: () => void;
}

/** Why this week, said once; or that it was made for another focus. */
function Because({ lesson, items, isStale, onAnew }: BecauseProps) {
  if (!isStale) return <p className={css.because}>{becauseOf(items)}</p>;
  return (
    <div className={css.because} role="alert">
      <span>
        <Rich
          says={say.theFocusHasChangedSince({
            madeFor: listed(lesson.plan?.made_for ?? []),
            focus: listed(lesson.focus.map((each) => each.name)) || say.noCauseYet(),
          })}
        />
      </span>
      <button type="button" className={touch.word} aria-keyshortcuts="m" onClick={onAnew}>
        {say.makeTheWeekAnew()}
        <Key name="m" />
      </button>
    </div>
  );
}

/** Nothing is given while a stop is up, or while a question about pain is open. */
function Rests({ handle, paused }: { handle: LessonHandle; paused: boolean }) {
  const words = handle.lesson.waits_for;
  if (paused) {
    return (
      <div className={css.rests}>
        <h2>{say.noExercisesWhileTheStop()}</h2>
        <p>{say.theSheetSaysSoAnd()}</p>
      </div>
    );
  }
  return (
    <div className={css.rests}>
      <h2>{say.noWeekBeforeThisIs()}</h2>
      <p role="status">{`${upperFirst(words)}.`}</p>
      <AskedAgain handle={handle} />
    </div>
  );
}

function Minutes({ lesson, rests }: { lesson: Lesson; rests: boolean }) {
  if (rests) return <div className={css.minutes} />;
  const minutes = lesson.plan?.minutes_a_day ?? lesson.proposal.minutes_a_day;
  return (
    <div className={css.minutes}>
      <p>{say.sheetAndPhone()}</p>
      <strong>{say.aDay({ minutes: minutesWords(minutes) })}</strong>
      <p>{say.ofThatThereIsTime({ budget: minutesWords(lesson.proposal.budget) })}</p>
    </div>
  );
}
