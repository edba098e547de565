import type { Schemas } from '../api/client';
import { shortDate } from '../words/words';
import css from './PlayerPage.module.css';

type Lessons = Schemas['TimelineLesson'][];

/** Trials and what they showed, causes chosen or ruled out, and own lines, newest lesson first. */
export function WhatElse({ lessons }: { lessons: Lessons }) {
  return (
    <ul className={css.notes}>
      {withNotes(lessons).map((lesson) => (
        <li key={lesson.id}>
          <strong>{shortDate(lesson.date)}</strong> {lesson.notes.join(' · ')}
        </li>
      ))}
    </ul>
  );
}

export function withNotes(lessons: Lessons): Lessons {
  return lessons.filter((lesson) => lesson.notes.length > 0).reverse();
}
