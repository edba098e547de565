import type { Schemas } from '../api/client';
import { shortDate } from '../words/words';
import css from './Sheets.module.css';

/** Trials and what they showed, causes chosen or ruled out, and own lines, newest lesson first. */
export function WhatElse({ lessons }: { lessons: Schemas['TimelineLesson'][] }) {
  const told = lessons.filter((lesson) => lesson.notes.length > 0).reverse();
  if (told.length === 0) return null;
  return (
    <section>
      <h2>What else was done</h2>
      <ul className={css.notes}>
        {told.map((lesson) => (
          <li key={lesson.id}>
            <strong>{shortDate(lesson.date)}</strong> {lesson.notes.join(' · ')}
          </li>
        ))}
      </ul>
    </section>
  );
}
