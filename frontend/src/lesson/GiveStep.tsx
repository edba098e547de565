import { Button, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useLocation } from 'wouter';

import { late } from '../components/late';
import type { Catalogue, Lesson } from '../api/client';
import { setupsQuery } from '../api/queries';
import { useKeys } from '../components/useKeys';
import { minutesWords, MOVE_WORDS } from '../words/words';
import { AskedAgain } from './AskedAgain';
import css from './GiveStep.module.css';
import { exercisesToAdd, firstHit, itemsOf, type Wish, wishOf } from './planDraft';
import { HomeTake } from './HomeTake';
import { PlanItemRow } from './PlanItemRow';
import type { LessonHandle } from './useLesson';
import { useItemKeys } from './useItemKeys';
import { WeekStrip } from './WeekStrip';

const FitDialog = late(async () => (await import('../components/FitDialog')).FitDialog);

/** The week: one to three exercises, each with its step, dose, days and why. */
export function GiveStep({ handle, catalogue }: { handle: LessonHandle; catalogue: Catalogue }) {
  const { lesson, enter } = handle;
  const [, navigate] = useLocation();
  const [giving, setGiving] = useState(false);
  const items = itemsOf(lesson);
  const paused = lesson.safety.level === 'red';
  const store = (wishes: Wish[]) => enter('plan', '', wishes);

  // Giving waits until what is on its way has arrived, then stores the week, then shows the sheet.
  const ready = giving && !paused && !handle.weighing && items.length > 0;
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
  const waits = lesson.waits_for !== '';
  const give = () => (paused ? navigate(`/lessons/${lesson.id}/sheet`) : setGiving(true));
  const makeAnew = () => store(lesson.proposal.items.map(wishOf));
  const isStale = lesson.plan !== null && lesson.plan.made_for.length > 0;
  const { active, keys } = useItemKeys(items, store);
  useKeys(
    waits
      ? {}
      : paused
        ? { Enter: give }
        : { ...keys, Enter: give, m: isStale ? makeAnew : undefined },
  );

  if (paused) {
    return (
      <section className={css.give}>
        <h2>No exercises while the stop is up</h2>
        <p>The sheet says so, and asks to see a doctor or physiotherapist.</p>
        <div>
          <Button
            component={Link}
            href={`/lessons/${lesson.id}/sheet`}
            size="lg"
            aria-keyshortcuts="Enter"
          >
            Make the sheet
          </Button>
        </div>
      </section>
    );
  }
  if (waits) {
    return (
      <section className={css.give}>
        <h2>No week before this is answered</h2>
        <p role="status">{sentence(lesson.waits_for)}</p>
        <AskedAgain handle={handle} />
      </section>
    );
  }
  return (
    <section className={css.give}>
      <header className={css.top}>
        <div>
          <h2>The week</h2>
          <Minutes lesson={lesson} />
        </div>
        {items.length > 0 && <WeekStrip items={items} lessonDate={lesson.date} />}
        <Button size="lg" aria-keyshortcuts="Enter" onClick={give} disabled={items.length === 0}>
          Give it: make the sheet
        </Button>
      </header>
      {isStale && (
        <div className={css.objections} role="alert">
          <strong>The focus has changed since this week was made.</strong> It was made for{' '}
          {lesson.plan?.made_for.join(' and ')}; now it is{' '}
          {lesson.focus.map((each) => each.name).join(' and ') || 'no cause yet'}.{' '}
          <Button aria-keyshortcuts="m" onClick={makeAnew}>
            Make the week anew
          </Button>
        </div>
      )}
      <Objections lesson={lesson} />
      <Said lesson={lesson} catalogue={catalogue} />
      <ol className={css.items}>
        {items.map((item) => (
          <PlanItemRow
            key={item.exercise}
            item={item}
            items={items}
            lesson={lesson}
            active={item.exercise === active}
            store={store}
            onDislike={(exercise) => {
              enter('disliked', exercise, true);
              if (lesson.plan) {
                store(items.filter((i) => i.exercise !== exercise).map(wishOf));
              }
            }}
          />
        ))}
      </ol>
      <LeftOut lesson={lesson} />
      <Alternatives lesson={lesson} store={store} />
      <div className={css.more}>
        <AddExercise lesson={lesson} catalogue={catalogue} store={store} />
        <TeacherLine key={lesson.teacher_line} handle={handle} />
        <HomeTake handle={handle} catalogue={catalogue} />
      </div>
      <Disliked handle={handle} catalogue={catalogue} />
      <Withheld lesson={lesson} catalogue={catalogue} />
    </section>
  );
}

function sentence(words: string): string {
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
}

/** Last week's exercises that are not in this week, and why. */
function LeftOut({ lesson }: { lesson: Lesson }) {
  const given = new Set(itemsOf(lesson).map((item) => item.exercise));
  const left = lesson.review.filter((row) => !given.has(row.exercise));
  if (left.length === 0) return null;
  return (
    <p className="quiet">
      Not any more, from last week:{' '}
      {left.map((row) => `${row.name} (${MOVE_WORDS[row.move]}: ${row.reason})`).join('; ')}.
    </p>
  );
}

function Minutes({ lesson }: { lesson: Lesson }) {
  const minutes = lesson.plan?.minutes_a_day ?? lesson.proposal.minutes_a_day;
  return (
    <p>
      <strong>{minutesWords(minutes)}</strong> a day, of {minutesWords(lesson.proposal.budget)} that
      there is time for
    </p>
  );
}

/** What is done in the lesson instead of at home, and what the week leaves out and why. */
function Said({ lesson, catalogue }: { lesson: Lesson; catalogue: Catalogue }) {
  const { in_lesson, says } = lesson.proposal;
  const [writing, setWriting] = useState(false);
  const setups = useQuery({ ...setupsQuery(lesson.player.id), enabled: writing });
  const name = (id: string) => catalogue.exercises.find((e) => e.id === id)?.name ?? id;
  return (
    <>
      {in_lesson.length > 0 && (
        <p>
          <strong>Now, in the lesson:</strong> {in_lesson.map(name).join('; ')}. It costs no minutes
          at home.{' '}
          <Button variant="default" onClick={() => setWriting(true)}>
            Write down the change
          </Button>
        </p>
      )}
      {writing && (
        <FitDialog
          playerId={lesson.player.id}
          isHeldUp={lesson.player.instrument === 'vn' || lesson.player.instrument === 'va'}
          last={setups.data?.[0] ?? null}
          onClose={() => setWriting(false)}
        />
      )}
      {lesson.plan === null && says.map((line) => <p key={line}>{line}</p>)}
    </>
  );
}

function Objections({ lesson }: { lesson: Lesson }) {
  const objections = lesson.plan?.objections ?? [];
  if (objections.length === 0) return null;
  return (
    <div className={css.objections} role="status">
      <strong>The rules object; your word wins:</strong>
      <ul>
        {objections.map((o) => (
          <li key={o.exercise + o.reason}>{o.reason}</li>
        ))}
      </ul>
    </div>
  );
}

function Alternatives({ lesson, store }: { lesson: Lesson; store: (wishes: Wish[]) => void }) {
  if (lesson.alternatives.length === 0) return null;
  return (
    <ul className={css.alternatives} aria-label="Other weeks">
      {lesson.alternatives.map((each) => (
        <li key={each.differs}>
          <span>
            Or {each.differs}, {minutesWords(each.minutes_a_day)} a day:{' '}
            {each.items.map((item) => item.name).join(', ')}
          </span>
          <Button
            variant="default"
            aria-label={`Take the week: ${each.differs}`}
            onClick={() => store(each.items.map(wishOf))}
          >
            Take
          </Button>
        </li>
      ))}
    </ul>
  );
}

function AddExercise({
  lesson,
  catalogue,
  store,
}: {
  lesson: Lesson;
  catalogue: Catalogue;
  store: (wishes: Wish[]) => void;
}) {
  const [typed, setTyped] = useState('');
  const items = itemsOf(lesson);
  const choices = exercisesToAdd(lesson, catalogue);
  const hit = firstHit(choices, typed);
  const add = (id: string) => {
    setTyped('');
    store([...items.map(wishOf), { exercise: id }]);
  };
  return (
    <div>
      <TextInput
        label="Add an exercise"
        description={hit && typed !== '' ? `Enter adds: ${hit.name}` : 'Type a few letters'}
        size="md"
        list="exercises-to-add"
        value={typed}
        onChange={({ currentTarget: { value } }) => {
          const picked = choices.find((each) => each.name === value);
          if (picked) add(picked.id);
          else setTyped(value);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && hit && typed !== '') add(hit.id);
        }}
      />
      <datalist id="exercises-to-add">
        {choices.map((each) => (
          <option key={each.id} value={each.name} />
        ))}
      </datalist>
    </div>
  );
}

function TeacherLine({ handle }: { handle: LessonHandle }) {
  const [line, setLine] = useState(handle.lesson.teacher_line);
  return (
    <TextInput
      label="Your own line on the sheet"
      size="md"
      maxLength={300}
      value={line}
      onChange={(event) => setLine(event.currentTarget.value)}
      onBlur={() => {
        if (line.trim() !== handle.lesson.teacher_line) handle.enter('line', '', line);
      }}
    />
  );
}

function Disliked({ handle, catalogue }: { handle: LessonHandle; catalogue: Catalogue }) {
  const { lesson, enter } = handle;
  if (lesson.disliked.length === 0) return null;
  return (
    <p className={css.disliked}>
      <span className="quiet">Not liked:</span>
      {lesson.disliked.map((id) => (
        <Button key={id} variant="subtle" onClick={() => enter('disliked', id, false)}>
          {catalogue.exercises.find((e) => e.id === id)?.name ?? id}: liked again
        </Button>
      ))}
    </p>
  );
}

function Withheld({ lesson, catalogue }: { lesson: Lesson; catalogue: Catalogue }) {
  const { withheld, check_first } = lesson.proposal;
  const label = (id: string) =>
    catalogue.evidence.find((e) => e.id === id)?.label.toLowerCase() ?? id;
  return (
    <>
      {check_first.length > 0 && (
        <p className="quiet">
          Check first, it was not looked at: {check_first.map(label).join('; ')}.
        </p>
      )}
      {withheld.length > 0 && (
        <details className={css.withheld}>
          <summary>Held back for now: {withheld.length}</summary>
          <ul>
            {withheld.map((w) => (
              <li key={w.exercise}>
                <strong>{w.name}</strong>: {w.reason}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
