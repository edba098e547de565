import * as say from '../messages/compiled/lesson';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Catalogue, Lesson } from '../api/client';
import { setupsQuery } from '../api/queries';
import field from '../components/field.module.css';
import { late } from '../components/late';
import touch from '../components/touch.module.css';
import { Rich } from '../messages/Rich';
import { beside } from '../words/lists';
import { isHeldUp, minutesWords } from '../words/words';
import { AddExercise } from './AddExercise';
import css from './GiveStep.module.css';
import { HomeTake } from './HomeTake';
import { NotGiven } from './NotGiven';
import { itemsOf, type Wish, wishOf } from './planDraft';
import type { LessonHandle } from './useLesson';
import { WeekStrip } from './WeekStrip';

const FitDialog = late(async () => (await import('../components/FitDialog')).FitDialog);

const MOST_OF_ONE_THING = 70;

// characters: two lines in large print

interface Props {
  handle: LessonHandle;
  catalogue: Catalogue;
  store: (wishes: Wish[]) => void;
}

/** The week as a whole: its days, other weeks, what can be added, and what it leaves out and why. */
export function WeekPanel({ handle, catalogue, store }: Props) {
  const { lesson } = handle;
  const items = itemsOf(lesson);
  return (
    <>
      <header className={css.top}>
        <h2>{say.theWeek()}</h2>
      </header>
      <div className={css.scroll}>
        {items.length > 0 && <WeekStrip items={items} lessonDate={lesson.date} />}
        <InLesson lesson={lesson} catalogue={catalogue} />
        {lesson.plan === null && lesson.proposal.says.map((line) => <p key={line}>{line}</p>)}
        <Alternatives lesson={lesson} store={store} />
        <AddExercise lesson={lesson} catalogue={catalogue} store={store} />
        <OneThing key={`${lesson.one_thing}/${lesson.one_thing_proposed}`} handle={handle} />
        <TeacherLine key={lesson.teacher_line} handle={handle} />
        <HomeTake handle={handle} catalogue={catalogue} />
        <NotGiven handle={handle} catalogue={catalogue} />
      </div>
    </>
  );
}

/** What is done in the lesson instead of at home. */
function InLesson({ lesson, catalogue }: { lesson: Lesson; catalogue: Catalogue }) {
  const [writing, setWriting] = useState(false);
  const setups = useQuery({ ...setupsQuery(lesson.player.id), enabled: writing });
  const now = lesson.proposal.in_lesson.map(
    (id) => catalogue.exercises.find((each) => each.id === id)?.name ?? id,
  );
  if (now.length === 0) return null;
  return (
    <p>
      <Rich
        says={say.nowInTheLessonIt({ now: now.join('; ') })}
        as={{
          button: (words) => (
            <button type="button" className={touch.word} onClick={() => setWriting(true)}>
              {words}
            </button>
          ),
        }}
      />
      {writing && (
        <FitDialog
          playerId={lesson.player.id}
          isHeldUp={isHeldUp(lesson.player)}
          last={setups.data?.[0] ?? null}
          onClose={() => setWriting(false)}
        />
      )}
    </p>
  );
}

function Alternatives({ lesson, store }: { lesson: Lesson; store: (wishes: Wish[]) => void }) {
  if (lesson.alternatives.length === 0) return null;
  return (
    <ul className={css.lines} aria-label={say.otherWeeks()}>
      {lesson.alternatives.map((each) => (
        <li key={each.differs}>
          <span>
            <Rich
              says={say.orADay({
                differs: each.differs,
                minutesADay: minutesWords(each.minutes_a_day),
                items: beside(each.items.map((item) => item.name)),
              })}
              as={{ small: (words) => <small>{words}</small> }}
            />
          </span>
          <button
            type="button"
            className={touch.word}
            aria-label={say.takeTheWeek({ differs: each.differs })}
            onClick={() => store(each.items.map(wishOf))}
          >
            {say.take()}
          </button>
        </li>
      ))}
    </ul>
  );
}

/** What stands in large words at the head of sheet and phone; the teacher's own words win. */
function OneThing({ handle }: { handle: LessonHandle }) {
  const { lesson, enter } = handle;
  const [words, setWords] = useState(lesson.one_thing || lesson.one_thing_proposed);
  return (
    <label className={css.field}>
      <Rich says={say.theOneThingOfThe()} as={{ small: (words) => <small>{words}</small> }} />
      <input
        className={field.field}
        maxLength={MOST_OF_ONE_THING}
        value={words}
        onChange={(event) => setWords(event.currentTarget.value)}
        onBlur={() => {
          const told = words.trim() === lesson.one_thing_proposed ? '' : words.trim();
          if (told !== lesson.one_thing) enter('one_thing', '', told);
          else if (told === '') setWords(lesson.one_thing_proposed);
        }}
      />
    </label>
  );
}

function TeacherLine({ handle }: { handle: LessonHandle }) {
  const [line, setLine] = useState(handle.lesson.teacher_line);
  return (
    <label className={css.field}>
      {say.yourOwnLineOnThe()}
      <input
        className={field.field}
        maxLength={300}
        value={line}
        onChange={(event) => setLine(event.currentTarget.value)}
        onBlur={() => {
          if (line.trim() !== handle.lesson.teacher_line) handle.enter('line', '', line);
        }}
      />
    </label>
  );
}
