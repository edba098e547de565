import { Button } from '@mantine/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';

import type { Catalogue, Evidence, Lesson, Schemas } from '../api/client';
import { handQuery } from '../api/queries';
import { Problem } from '../components/Problem';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { HandDrawing, type Origin } from '../drawings/HandDrawing';
import { familyOf } from '../drawings/places';
import { signsOf } from '../drawings/signs';
import { STAGE_WORDS } from '../words/words';
import { CheckList } from './CheckList';
import {
  askedFirst,
  checksAt,
  gradeAt,
  isDone,
  type ListChoice,
  placeless,
  trialsInOrder,
} from './lookList';
import css from './LookStep.module.css';
import { Theory } from './Theory';
import type { LessonHandle } from './useLesson';

const ORDERS = [
  { value: 'telling', label: 'Most telling look first' },
  { value: 'silent', label: 'Silent looks first' },
  { value: 'classic', label: 'From far to near' },
];

/** While another hand is on its way, the one before stays. */
const KEEP = { placeholderData: keepPreviousData };

interface Props {
  handle: LessonHandle;
  catalogue: Catalogue;
  /** A check that was asked for from elsewhere. */
  opening: string | null;
  onDecide: () => void;
}

/** The hand in the middle, what to look at on the left, what it means on the right. */
export function LookStep({ handle, catalogue, opening, onDecide }: Props) {
  const { lesson } = handle;
  const [choice, setChoice] = useState<ListChoice>(
    opening === null ? { kind: 'look' } : { kind: 'check', check: opening },
  );
  const mine = useMemo(
    () => catalogue.evidence.filter((e) => e.instruments.includes(lesson.player.instrument)),
    [catalogue, lesson.player.instrument],
  );
  const held = useHeldLook(lesson);
  const look = held.checks.filter((id) => mine.some((e) => e.id === id));
  const due = new Set(look.filter((id) => !isDone(lesson, id)));
  const [atEase, setAtEase] = useState(false);
  const { instrument } = lesson.player;
  const signs = atEase ? '' : signsOf(lesson.findings);
  const hand = useQuery({ ...handQuery(instrument, signs), ...KEEP });
  // Second, so that the large drawing does not wait for its share of the computer.
  const isDrawn = hand.isSuccess && !hand.isPlaceholderData;
  const along = useQuery({ ...handQuery(instrument, signs, 'along'), ...KEEP, enabled: isDrawn });
  const { title, items, why } = listFor(choice, lesson, mine, { ...held, checks: look });

  useKeys({
    n: () => setChoice({ kind: 'look' }),
    t: () => setChoice({ kind: 'trials' }),
    r: () => setChoice({ kind: 'placeless' }),
    v: () => setAtEase(!atEase),
    Enter: onDecide,
  });

  return (
    <div className={css.look}>
      <section className={css.list} aria-label="What to look at">
        <CheckList
          key={items.map((i) => i.id).join()}
          title={title}
          why={why}
          items={items}
          handle={handle}
          trials={trialsInOrder(lesson, mine)}
          touched={choice.kind === 'spot' ? choice.spot.finger : undefined}
        />
        <select
          className={touch.button}
          aria-label="Order of looking"
          value={lesson.look_order}
          onChange={(event) => handle.enter('order', '', event.currentTarget.value)}
        >
          {ORDERS.map((order) => (
            <option key={order.value} value={order.value}>
              {order.label}
            </option>
          ))}
        </select>
        <div className={css.ways}>
          {choice.kind !== 'look' && (
            <Button
              variant="default"
              aria-keyshortcuts="n"
              onClick={() => setChoice({ kind: 'look' })}
            >
              Next look
            </Button>
          )}
          <Button
            variant="default"
            aria-keyshortcuts="t"
            onClick={() => setChoice({ kind: 'trials' })}
          >
            Try one thing
          </Button>
          <Button
            variant="default"
            aria-keyshortcuts="r"
            onClick={() => setChoice({ kind: 'placeless' })}
          >
            Tempo, reports
          </Button>
        </div>
      </section>
      <section className={css.hand} aria-label="The hand">
        {hand.data && (
          <HandDrawing
            family={familyOf(instrument)}
            hand={hand.data}
            along={along.data}
            atEase={atEase}
            onEase={() => setAtEase(!atEase)}
            label="Left hand on the neck. Touch a place to look there."
            isUsed={(spot) => checksAt(mine, spot).length > 0}
            stateOf={(spot) => ({
              grade: gradeAt(lesson, mine, spot),
              due: checksAt(mine, spot).some((e) => due.has(e.id)),
            })}
            selected={choice.kind === 'spot' ? choice.spot : null}
            onSelect={(spot) => setChoice({ kind: 'spot', spot })}
            origin={originOf(lesson, catalogue, hand.data)}
          />
        )}
        {hand.isPending && (
          <p data-pending role="status">
            {hand.failureCount > 0 && 'The drawing waits for the connection.'}
          </p>
        )}
        {hand.error && <Problem isPart error={hand.error} onRetry={() => void hand.refetch()} />}
      </section>
      <Theory lesson={lesson} onDecide={onDecide} />
    </div>
  );
}

interface HeldLook {
  checks: string[];
  /** Why they come now. */
  why: string;
}

/** The proposed look stays until all of it is done, so that rows do not jump under the finger. */
function useHeldLook(lesson: Lesson): HeldLook {
  const fresh = { checks: lesson.look?.checks ?? [], why: lesson.look?.why ?? '' };
  const [held, setHeld] = useState<HeldLook>(fresh);
  const finished = held.checks.every((id) => isDone(lesson, id));
  const isNews = fresh.checks.length > 0 && !fresh.checks.every((id) => isDone(lesson, id));
  if (finished && isNews && fresh.checks.join() !== held.checks.join()) {
    setHeld(fresh);
    return fresh;
  }
  return held;
}

function listFor(
  choice: ListChoice,
  lesson: Lesson,
  mine: Evidence[],
  held: HeldLook,
): { title: string; items: Evidence[]; why?: string } {
  const look = held.checks;
  switch (choice.kind) {
    case 'spot':
      return { title: choice.spot.name, items: askedFirst(checksAt(mine, choice.spot), look) };
    case 'check': {
      const items = mine.filter((e) => e.id === choice.check);
      return { title: items[0]?.label ?? '', items };
    }
    case 'trials':
      return { title: 'Change one thing: does it ease?', items: trialsInOrder(lesson, mine) };
    case 'placeless':
      return { title: 'Tempo and reports', items: placeless(mine) };
    case 'look': {
      const items = look.flatMap((id) => mine.filter((e) => e.id === id));
      const stage = STAGE_WORDS[items[0]?.stage ?? '']?.toLowerCase() ?? '';
      const title = lesson.look?.again ? 'The same again' : `Next look: ${stage}`;
      return { title, items, why: held.why };
    }
  }
}

function originOf(lesson: Lesson, catalogue: Catalogue, hand: Schemas['HandOut']): Origin | null {
  const lead = lesson.focus[0];
  if (!lead) return null;
  const places = catalogue.causes.find((c) => c.id === lead.cause)?.places ?? [];
  for (const place of places) {
    const here = hand.places.filter((each) => each.place === place);
    const spot = here.find((each) => each.finger === lead.fingers[0]) ?? here[0];
    if (spot) return { place, finger: spot.finger, name: lead.name };
  }
  return null;
}
