import '@mantine/core/styles/Checkbox.css';

import { Button, Checkbox } from '@mantine/core';
import { useRef, useState } from 'react';
import { Link } from 'wouter';

import type { Catalogue, Schemas } from '../api/client';
import { LazyPieces } from '../pieces/LazyPieces';
import { PainPlace } from '../components/PainPlace';
import { Reminders } from '../components/Reminders';
import { useKeys } from '../components/useKeys';
import { FINGERS } from '../words/fingers';
import { MOVE_WORDS } from '../words/words';
import { SearchSelect } from '../components/SearchSelect';
import touch from '../components/touch.module.css';
import { AskedAgain } from './AskedAgain';
import css from './AskStep.module.css';
import { BodyLine } from './BodyLine';
import { HomeReport } from './HomeReport';
import { JudgeFit } from './JudgeFit';
import { LastTime } from './LastTime';
import { PaperWeek } from './PaperWeek';
import { RemoveLesson } from './RemoveLesson';
import type { LessonHandle } from './useLesson';

const SIGNS: [string, string][] = [
  ['numbness', 'numbness or tingling'],
  ['radiating', 'pain that travels along the arm'],
  ['curling', 'a finger that curls or does what it wants'],
  ['swelling', 'swelling'],
  ['sudden_weakness', 'sudden weakness, dropping things'],
  ['tired_next_day', 'tiredness into the next day'],
  ['earlier_injury', 'an earlier injury or operation of this arm'],
  ['playing_jump', 'much more playing than the week before'],
];
const TIMES: [string, string][] = [
  ['playing', 'while playing'],
  ['rest', 'at rest'],
  ['night', 'at night'],
  ['next_day', 'still the next day'],
];
const REACH = 'reach.exceeded';
const PAINS = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10];

interface Props {
  handle: LessonHandle;
  catalogue: Catalogue;
  /** The questions about the body are open from the start. */
  isTelling: boolean;
  onDone: () => void;
  /** Goes on to one check. */
  onLookAt: (check: string) => void;
}

/** Last week's exercises, how the body is, and what the player complains of. */
export function AskStep({ handle, catalogue, isTelling, onDone, onLookAt }: Props) {
  const { lesson, enter } = handle;
  const isStopped = lesson.safety.level === 'red';
  const [open, setOpen] = useState(isTelling);

  // Answers that were given stay: "all is well" answers for the first time, and takes no stop away.
  function allWell() {
    if (!lesson.asked) enter('reports', '', {});
    onDone();
  }
  const pain = useRef<HTMLElement>(null);
  function tell() {
    setOpen(true);
    // The questions open in view, whatever stands above them.
    requestAnimationFrame(() => pain.current?.scrollIntoView({ block: 'start' }));
  }
  const hurt = lesson.review.some((row) => (row.pain ?? 0) > 0);
  const canBeWell = !hurt && Object.values(lesson.reports).every((value) => value === 0);
  useKeys({
    w: canBeWell ? allWell : undefined,
    y: tell,
    h: () => enter('harder', '', !lesson.harder_piece),
    Enter: canBeWell ? allWell : onDone,
  });

  const paper = lesson.paper_week;
  const before = (lesson.home !== null || paper !== null || lesson.review.length > 0) && (
    <div className={css.column}>
      {lesson.home && <HomeReport home={lesson.home} />}
      {paper && <PaperWeek week={paper} enter={enter} />}
      {lesson.review.length > 0 && <LastWeek handle={handle} />}
      <LastTime lessonId={lesson.id} />
    </div>
  );
  return (
    <div className={css.ask} data-first={before ? undefined : true}>
      <div className={css.first}>
        <AskedAgain handle={handle} />
        <BodyLine handle={handle} onMeasure={() => onLookAt(REACH)} />
      </div>
      {before}
      <div className={css.column}>
        <section>
          <h2>What does the player complain of?</h2>
          <Complaint handle={handle} catalogue={catalogue} />
          <Checkbox
            size="md"
            label="Harder piece now: look again at what was gone"
            description={lesson.harder_hint}
            aria-keyshortcuts="h"
            checked={lesson.harder_piece}
            onChange={(event) => enter('harder', '', event.currentTarget.checked)}
          />
        </section>
        <JudgeFit handle={handle} />
        {lesson.weeks_away !== null && <Away handle={handle} weeks={lesson.weeks_away} />}
        <Reminders reminders={lesson.reminders} />
        <section ref={pain}>
          <h2>Any pain, numbness or tiredness?</h2>
          <div className={css.answers}>
            <Button size="lg" aria-keyshortcuts="w" onClick={allWell} disabled={!canBeWell}>
              {isStopped ? 'Nothing new today' : 'All is well'}
            </Button>
            <Button size="lg" variant="default" aria-keyshortcuts="y" onClick={tell}>
              Yes, something
            </Button>
          </div>
          {isStopped && (
            <p>
              A stop is up. A tick by mistake is taken back with Undo; otherwise only your note
              lifts it.
            </p>
          )}
          {(open || !canBeWell) && <Reports handle={handle} onDone={onDone} />}
        </section>
        <LazyPieces playerId={lesson.player.id} lessonId={lesson.id} />
        <RemoveLesson lesson={lesson} />
      </div>
    </div>
  );
}

/** After a long time without a lesson: was there a break? Unanswered, a long one counts as one. */
function Away({ handle, weeks }: { handle: LessonHandle; weeks: number }) {
  const { lesson, enter } = handle;
  const said = lesson.break_weeks;
  return (
    <section>
      <h2>{weeks} weeks without lesson or practice here. Played in between?</h2>
      <div className={css.answers} role="group" aria-label="Played in between">
        <Button
          variant={said === 0 ? 'filled' : 'default'}
          aria-pressed={said === 0}
          onClick={() => enter('break', '', 0)}
        >
          Yes
        </Button>
        <Button
          variant={said !== null && said > 0 ? 'filled' : 'default'}
          aria-pressed={said !== null && said > 0}
          onClick={() => enter('break', '', weeks)}
        >
          No, a break
        </Button>
      </div>
    </section>
  );
}

/** In the player's words: the most common ones to touch, all others by a few letters. */
function Complaint({ handle, catalogue }: { handle: LessonHandle; catalogue: Catalogue }) {
  const { lesson, enter } = handle;
  const mine = catalogue.evidence.filter(
    (e) => e.instruments.includes(lesson.player.instrument) && e.stage !== 'trial',
  );
  const words = catalogue.complaints.filter((c) => mine.some((e) => e.id === c.evidence));
  const said = new Set(words.map((c) => c.evidence));
  const other = useRef<HTMLDivElement>(null);
  useKeys({ c: () => other.current?.querySelector('input')?.focus() });
  return (
    <div ref={other} className={css.complaint}>
      <div className={css.common} role="group" aria-label="Common complaints">
        {words
          .filter((c) => c.common)
          .map((c) => (
            <button
              key={c.evidence}
              type="button"
              className={touch.button}
              aria-pressed={lesson.complaint === c.evidence}
              onClick={() =>
                enter('complaint', '', lesson.complaint === c.evidence ? null : c.evidence)
              }
            >
              {c.says}
            </button>
          ))}
      </div>
      <SearchSelect
        aria-label="Complaint"
        placeholder="Something else: type a few letters"
        size="lg"
        clearable
        data={[
          {
            group: 'As players say it',
            items: words.map((c) => ({ value: c.evidence, label: c.says })),
          },
          {
            group: 'As teachers see it',
            items: mine
              .filter((e) => !said.has(e.id))
              .map((e) => ({ value: e.id, label: e.label })),
          },
        ]}
        value={lesson.complaint}
        onChange={(value) => enter('complaint', '', value)}
      />
      {mine.some((e) => e.id === lesson.complaint && e.per_finger) && (
        <ComplaintFinger finger={lesson.complaint_finger} enter={enter} />
      )}
    </div>
  );
}

function ComplaintFinger({
  finger,
  enter,
}: {
  finger: number | null;
  enter: LessonHandle['enter'];
}) {
  const tell = (each: number) => () => enter('complaint_finger', '', finger === each ? null : each);
  useKeys({ '6': tell(1), '7': tell(2), '8': tell(3), '9': tell(4) });
  return (
    <div className={css.common} role="group" aria-label="Which finger">
      <span>Which finger?</span>
      {FINGERS.map((each, index) => (
        <button
          key={each}
          type="button"
          className={touch.button}
          aria-label={`Finger ${each}`}
          aria-pressed={finger === each}
          aria-keyshortcuts={String(index + 6)}
          onClick={tell(each)}
        >
          {each}
        </button>
      ))}
    </div>
  );
}

function Reports({ handle, onDone }: { handle: LessonHandle; onDone: () => void }) {
  const { enter } = handle;
  const { reports } = handle.lesson;
  const times = Array.isArray(reports['pain_when']) ? (reports['pain_when'] as string[]) : [];

  function change(name: string, value: unknown) {
    const rest = Object.fromEntries(Object.entries(reports).filter(([key]) => key !== name));
    const empty = value === null || value === false || (Array.isArray(value) && value.length === 0);
    enter('reports', '', empty ? rest : { ...rest, [name]: value });
  }

  return (
    <div className={css.reports}>
      <PainScale pain={reports['pain']} onPick={(value) => change('pain', value)} />
      <PainPlace
        chosen={typeof reports['place'] === 'string' ? reports['place'] : ''}
        onPick={(place) => change('place', reports['place'] === place ? null : place)}
      />
      <Checkbox.Group
        label="When does it hurt?"
        value={times}
        onChange={(value) => change('pain_when', value)}
      >
        <div className={css.checks}>
          {TIMES.map(([name, words]) => (
            <Checkbox key={name} value={name} label={words} size="md" />
          ))}
        </div>
      </Checkbox.Group>
      <fieldset className={css.signs}>
        <legend>Is there any of this?</legend>
        {SIGNS.map(([name, words]) => (
          <Checkbox
            key={name}
            label={words}
            size="md"
            checked={reports[name] === true}
            onChange={(event) => change(name, event.currentTarget.checked)}
          />
        ))}
      </fieldset>
      <Button onClick={onDone}>On to the look</Button>
    </div>
  );
}

/** Picked, not typed, so that no half-typed number counts. */
function PainScale({ pain, onPick }: { pain: unknown; onPick: (pain: number | null) => void }) {
  return (
    <div role="group" aria-label="Pain, 0 to 10">
      <p className={css.label}>Pain, from 0 (none) to 10</p>
      <div className={css.scale}>
        {PAINS.map((each) => (
          <button
            key={each}
            type="button"
            aria-label={`Pain ${each} of 10`}
            aria-pressed={pain === each}
            onClick={() => onPick(pain === each ? null : each)}
          >
            {each}
          </button>
        ))}
      </div>
    </div>
  );
}

/** Keys go from row to row: shown, not yet. */
function LastWeek({ handle }: { handle: LessonHandle }) {
  const rows = handle.lesson.review;
  const [chosen, setChosen] = useState<number | null>(null);
  const active = chosen ?? rows.findIndex((row) => row.passed === null);
  const row = rows[active];
  const step = (by: number) => setChosen(Math.min(rows.length - 1, Math.max(0, active + by)));
  const answer = (passed: boolean) => {
    if (!row) return;
    handle.enter('result', String(row.item), { passed });
    setChosen(null);
  };
  useKeys({
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    s: row && (() => answer(true)),
    n: row && (() => answer(false)),
  });
  return (
    <section>
      <div className={css.lastWeek}>
        <h2>Last week: show me</h2>
        {handle.lesson.last_week !== null && (
          <Link href={`/lessons/${handle.lesson.last_week}/sheet`}>Its sheet</Link>
        )}
      </div>
      <ul className={css.week}>
        {rows.map((each, index) => (
          <ReviewRow key={each.item} row={each} active={index === active} enter={handle.enter} />
        ))}
      </ul>
    </section>
  );
}

interface ReviewProps {
  row: Schemas['ReviewOut'];
  active: boolean;
  enter: LessonHandle['enter'];
}

function ReviewRow({ row, active, enter }: ReviewProps) {
  const hurt = (row.pain ?? 0) > 0;
  const [asking, setAsking] = useState(false);
  const answer = (passed: boolean) => {
    setAsking(false);
    enter('result', String(row.item), row.passed === passed && !hurt ? null : { passed });
  };
  const tellPain = (pain: number | null) => {
    setAsking(false);
    enter('result', String(row.item), { passed: false, pain });
  };
  return (
    <li className={css.review} data-active={active || undefined}>
      <div>
        <strong>{row.name}</strong>
        <div className="quiet">
          step {row.rung} of {row.rungs}: {row.rung_words}. Passed when: {row.passed_when}.
        </div>
        <div>
          <strong>{MOVE_WORDS[row.move]}</strong>
          {row.next_rung !== row.rung && ` to step ${row.next_rung}`}: {row.reason}
          {row.days_done > 0 && (
            <span className="quiet">
              {' '}
              ({row.days_done} {row.days_done === 1 ? 'day' : 'days'} at home)
            </span>
          )}
        </div>
      </div>
      <div className={css.shown} role="group" aria-label={`${row.name}, shown today`}>
        <Button
          variant={row.passed === true ? 'filled' : 'default'}
          aria-pressed={row.passed === true}
          aria-keyshortcuts={active ? 's' : undefined}
          onClick={() => answer(true)}
        >
          Shown
        </Button>
        <Button
          variant={row.passed === false && !hurt ? 'filled' : 'default'}
          aria-pressed={row.passed === false && !hurt}
          aria-keyshortcuts={active ? 'n' : undefined}
          onClick={() => answer(false)}
        >
          Not yet
        </Button>
        <Button
          variant={hurt ? 'filled' : 'default'}
          aria-pressed={hurt}
          aria-expanded={asking}
          onClick={() => setAsking(!asking)}
        >
          It hurt
        </Button>
      </div>
      {asking && (
        <div className={css.howMuch}>
          <PainScale pain={row.pain} onPick={tellPain} />
        </div>
      )}
    </li>
  );
}
