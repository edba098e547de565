import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Catalogue, Lesson } from '../api/client';
import { setupsQuery } from '../api/queries';
import field from '../components/field.module.css';
import { late } from '../components/late';
import touch from '../components/touch.module.css';
import { isHeldUp, minutesWords, MOVE_WORDS } from '../words/words';
import { AddExercise } from './AddExercise';
import css from './GiveStep.module.css';
import { HomeTake } from './HomeTake';
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
        <h2>The week</h2>
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
      <strong>Now, in the lesson:</strong> {now.join('; ')}. It costs no minutes at home.{' '}
      <button type="button" className={touch.word} onClick={() => setWriting(true)}>
        Write down the change
      </button>
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
    <ul className={css.lines} aria-label="Other weeks">
      {lesson.alternatives.map((each) => (
        <li key={each.differs}>
          <span>
            Or {each.differs}, {minutesWords(each.minutes_a_day)} a day
            <small>{each.items.map((item) => item.name).join(', ')}</small>
          </span>
          <button
            type="button"
            className={touch.word}
            aria-label={`Take the week: ${each.differs}`}
            onClick={() => store(each.items.map(wishOf))}
          >
            Take
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
      The one thing of the week
      <small>In large words on sheet and phone. Empty it, and ours comes back.</small>
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
      Your own line on the sheet
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

/** What is not in the week, and why: behind one touch. */
function NotGiven({ handle, catalogue }: { handle: LessonHandle; catalogue: Catalogue }) {
  const { lesson, enter } = handle;
  const { withheld, check_first } = lesson.proposal;
  const given = new Set(itemsOf(lesson).map((item) => item.exercise));
  const left = lesson.review.filter((row) => !given.has(row.exercise));
  const count = withheld.length + left.length + lesson.disliked.length;
  const label = (id: string) =>
    catalogue.evidence.find((e) => e.id === id)?.label.toLowerCase() ?? id;
  return (
    <>
      {check_first.length > 0 && (
        <p className="quiet">
          Check first, it was not looked at: {check_first.map(label).join('; ')}.
        </p>
      )}
      {count > 0 && (
        <details className={css.fold}>
          <summary>Not given, and why: {count}</summary>
          <ul>
            {left.map((row) => (
              <li key={row.exercise}>
                <strong>{row.name}</strong>, from last week: {MOVE_WORDS[row.move]}, {row.reason}
              </li>
            ))}
            {withheld.map((each) => (
              <li key={each.exercise}>
                <strong>{each.name}</strong>: {each.reason}
              </li>
            ))}
            {lesson.disliked.map((id) => (
              <li key={id}>
                <strong>{catalogue.exercises.find((e) => e.id === id)?.name ?? id}</strong>: not
                liked{' '}
                <button
                  type="button"
                  className={touch.word}
                  onClick={() => enter('disliked', id, false)}
                >
                  Liked again
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
