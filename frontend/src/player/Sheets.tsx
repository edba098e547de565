import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'wouter';

import { late } from '../components/late';
import type { Schemas } from '../api/client';
import { shortDate } from '../words/words';
import css from './Sheets.module.css';

const PhoneLink = late(async () => (await import('../components/PhoneLink')).PhoneLink);

/** Every week that was given: one touch to its sheet, and the phone's address. */
export function Sheets({ lessons }: { lessons: Schemas['TimelineLesson'][] }) {
  const [onPhone, setOnPhone] = useState(false);
  const given = lessons.filter((lesson) => lesson.exercises.length > 0).reverse();
  const [newest] = given;
  if (!newest) return null;
  return (
    <section>
      <div className={css.head}>
        <h2>Sheets</h2>
        {onPhone ? (
          <PhoneLink lessonId={newest.id} opensAtOnce />
        ) : (
          <Button variant="default" onClick={() => setOnPhone(true)}>
            For the phone
          </Button>
        )}
      </div>
      <ul className={css.sheets}>
        {given.map((lesson) => (
          <li key={lesson.id}>
            <Link href={`/lessons/${lesson.id}/sheet`}>
              <strong>{shortDate(lesson.date)}</strong>
              <span className="quiet">{lesson.focus.join(', ') || 'no focus'}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
