import { useState } from 'react';
import { Link } from 'wouter';

import { late } from '../components/late';
import type { Schemas } from '../api/client';
import { Bead } from '../components/Bead';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { shortDate } from '../words/words';
import css from './Sheets.module.css';
import * as say from '../messages/compiled/player';
import { beside } from '../words/lists';

const PhoneLink = late(async () => (await import('../components/PhoneLink')).PhoneLink);

type Lessons = Schemas['TimelineLesson'][];

export function givenWeeks(lessons: Lessons): Lessons {
  return lessons.filter((lesson) => lesson.exercises.length > 0);
}

/** The newest week lies at the right end, and is seen first. */
function toNewest(list: HTMLOListElement | null) {
  const box = list?.parentElement;
  if (box) box.scrollLeft = box.scrollWidth;
}

/** Every week that was given, by date on one string: one touch to its sheet. */
export function Sheets({ lessons }: { lessons: Lessons }) {
  const [onPhone, setOnPhone] = useState(false);
  const given = givenWeeks(lessons);
  const newest = given.at(-1);
  if (!newest) return <p>{say.noWeekWasGivenYet()}</p>;
  return (
    <>
      <Scroll className={css.string} label={say.sheetsByDate()}>
        <ol className={css.sheets} ref={toNewest}>
          {given.map((lesson) => (
            <li key={lesson.id}>
              <Link href={`/lessons/${lesson.id}/sheet`}>
                <Bead as={lesson.focus.length > 0 ? 'done' : 'open'} />
                <span>{shortDate(lesson.date)}</span>
                <small>{beside(lesson.focus) || say.noFocus()}</small>
              </Link>
            </li>
          ))}
        </ol>
      </Scroll>
      {onPhone ? (
        <PhoneLink lessonId={newest.id} opensAtOnce />
      ) : (
        <button type="button" className={touch.word} onClick={() => setOnPhone(true)}>
          {say.forThePhone()}
        </button>
      )}
    </>
  );
}
