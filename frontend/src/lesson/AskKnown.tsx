import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'wouter';

import { lastTimeQuery, notesQuery } from '../api/queries';
import { Bead } from '../components/Bead';
import { Fold } from '../components/Fold';
import { OwnNotes } from '../components/OwnNotes';
import { Reminders } from '../components/Reminders';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { LazyPieces } from '../pieces/LazyPieces';
import css from './AskStep.module.css';
import { type AskStop, GROUP_WORDS } from './askStops';
import { LastWeek } from './HomeReport';
import { LastTime } from './LastTime';
import { RemoveLesson } from './RemoveLesson';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

interface Props {
  stops: AskStop[];
  /** What is asked now. */
  now: string | undefined;
  lesson: LessonHandle['lesson'];
  onGo: (id: string) => void;
  /** What stands below it. */
  children: ReactNode;
}

/** What is known before the lesson, and what there is to ask on its strings. */
export function AskKnown({ stops, now, lesson, onGo, children }: Props) {
  const notes = useQuery(notesQuery(lesson.player.id));
  const besides = useQuery(lastTimeQuery(lesson.id));
  // It comes as a whole, so that no stop moves under a finger; without a network it comes as it is.
  if (notes.isLoading || besides.isLoading) return <div data-pending />;
  return (
    <>
      <Scroll className={css.known}>
        <OwnNotes playerId={lesson.player.id} part="open" />
        <LastWeek lesson={lesson} />
        <Strings stops={stops} now={now} lesson={lesson} onGo={onGo} />
        <Reminders reminders={lesson.reminders} />
        <LastTime lessonId={lesson.id} />
        <OwnNotes playerId={lesson.player.id} part="write" />
        <Fold title={say.ownMusic()} summary={say.aPieceAndWhereThe()}>
          {() => <LazyPieces playerId={lesson.player.id} lessonId={lesson.id} />}
        </Fold>
        <RemoveLesson lesson={lesson} />
      </Scroll>
      {children}
    </>
  );
}

function Strings({ stops, now, lesson, onGo }: Omit<Props, 'children'>) {
  const groups = [...new Set(stops.map((stop) => stop.group))];
  return groups.map((group) => (
    <div key={group} className={css.group}>
      <div className={css.groupHead}>
        <h2>{GROUP_WORDS[group]}</h2>
        {group === 'week' && lesson.last_week !== null && (
          <Link className={touch.word} href={`/lessons/${lesson.last_week}/sheet`}>
            {say.itsSheet()}
          </Link>
        )}
      </div>
      <ol className={css.string}>
        {stops
          .filter((stop) => stop.group === group)
          .map((stop) => (
            <li key={stop.id}>
              <button
                type="button"
                aria-current={stop.id === now ? 'step' : undefined}
                onClick={() => onGo(stop.id)}
              >
                <Bead as={stop.id === now ? 'now' : stop.done ? 'done' : 'open'} />
                <span>
                  {stop.title}
                  <small>{stop.line}</small>
                </span>
              </button>
            </li>
          ))}
      </ol>
    </div>
  ));
}
