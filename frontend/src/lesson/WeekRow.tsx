import { useLayoutEffect, useRef, useState } from 'react';

import type { Lesson } from '../api/client';
import { Lens } from '../components/Lens';
import { minutesWords, MOVE_WORDS } from '../words/words';
import type { PlanItem } from './planDraft';
import { useHow } from './useHow';
import css from './WeekRow.module.css';
import * as say from '../messages/compiled/lesson';
import { beside, fromTo } from '../words/lists';

interface Props {
  item: PlanItem;
  place: number;
  lesson: Lesson;
  /** The reason that stands above all rows already. */
  said: string;
  opened: boolean;
  onOpen: () => void;
  /** Another exercise is dropped on this one. */
  onDrop: (exercise: string) => void;
}

const DRAGGED = 'text/plain';
/** Of a picture's width: an exercise is looked at whole. */
const SEEN = 0.42;

/** One exercise of the week: picture, name, what it does, dose, the first bars of its music. */
export function WeekRow({ item, place, lesson, said, opened, onOpen, onDrop }: Props) {
  const { data: how, isPending } = useHow(item, place, lesson);
  const objections = lesson.plan?.objections.filter((each) => each.exercise === item.exercise);
  const frame = how?.picture?.frames[0];
  const ring = frame && {
    x: frame.width / 2,
    y: frame.height / 2,
    radius: SEEN * frame.width,
  };
  return (
    <li
      className={css.row}
      draggable
      onDragStart={(event) => event.dataTransfer.setData(DRAGGED, item.exercise)}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        onDrop(event.dataTransfer.getData(DRAGGED));
      }}
    >
      <button type="button" aria-expanded={opened} onClick={onOpen}>
        <span className={css.picture} data-pending={isPending || undefined}>
          {(frame ?? isPending) && <Lens frame={frame} ring={ring ?? { x: 0, y: 0, radius: 0 }} />}
        </span>
        <span className={css.what}>
          <span className={css.name} data-testid="name">
            {item.name}
            {item.fingers.length > 0 && ` (${beside(item.fingers)})`}
          </span>
          <span className={css.does}>{item.because === said ? item.does : item.why}</span>
          <Progress item={item} lesson={lesson} />
          {item.in_piece && (
            <span className={css.news}>
              {say.inBars({ title: item.in_piece.title, bars: fromTo(item.in_piece.bars) })}
            </span>
          )}
          {objections?.map((each) => (
            <span key={each.reason} className={css.objection}>
              {say.theRulesObject({ reason: each.reason })}
            </span>
          ))}
        </span>
        <span className={css.dose}>
          <strong>{item.dose}</strong>
          <span>
            {item.tempo !== null && `♩ = ${item.tempo}, `}
            {minutesWords(item.minutes)}
          </span>
        </span>
        <FirstBars music={how?.music ?? null} />
      </button>
    </li>
  );
}

function Progress({ item, lesson }: { item: PlanItem; lesson: Lesson }) {
  const review = lesson.review.find((row) => row.exercise === item.exercise);
  if (!review && lesson.review.length === 0) return null;
  return (
    <span className={css.news}>
      {review ? `${MOVE_WORDS[review.move]}: ${review.reason}` : say.newThisWeek()}
    </span>
  );
}

/** Above the staff there is room for fingers and marks. */
const ABOVE_STAFF = 26;

/** The first staff, fading out; the opened exercise shows and plays all of it. */
function FirstBars({ music }: { music: string | null }) {
  const [isSmall] = useState(() => window.matchMedia('(max-width: 640px)').matches);
  const box = useRef<HTMLSpanElement>(null);
  useLayoutEffect(() => {
    const drawn = box.current?.querySelector('svg');
    const staff = drawn?.querySelector('.staff');
    if (!drawn || !staff) return;
    const above = staff.getBoundingClientRect().top - drawn.getBoundingClientRect().top;
    drawn.style.marginTop = `${ABOVE_STAFF - above}px`;
  }, [music]);
  if (music === null || isSmall) return null;
  return (
    <span
      ref={box}
      className={css.bars}
      aria-hidden="true"
      // Drawn by our own server from our own drills; no outside text gets into it.
      dangerouslySetInnerHTML={{ __html: music }}
    />
  );
}
