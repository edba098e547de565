import { Button, Checkbox, NumberInput, Select } from '@mantine/core';
import { useState } from 'react';

import type { Catalogue, Schemas } from '../api/client';
import { Reminders } from '../components/Reminders';
import { useKeys } from '../components/useKeys';
import { MOVE_WORDS } from '../words/words';
import css from './AskStep.module.css';
import { HomeReport } from './HomeReport';
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
const PLACES = ['skin', 'thumb', 'hand', 'wrist', 'forearm', 'elbow', 'shoulder', 'neck', 'back'];

interface Props {
  handle: LessonHandle;
  catalogue: Catalogue;
  onDone: () => void;
}

/** Last week's exercises, how the body is, and what the player complains of. */
export function AskStep({ handle, catalogue, onDone }: Props) {
  const { lesson, enter } = handle;
  const [open, setOpen] = useState(lesson.asked && Object.keys(lesson.reports).length > 0);

  function allWell() {
    enter('reports', '', {});
    onDone();
  }
  useKeys({ w: allWell, y: () => setOpen(true), Enter: lesson.asked ? onDone : allWell });

  return (
    <div className={css.ask}>
      {lesson.home && <HomeReport home={lesson.home} />}
      {lesson.review.length > 0 && <LastWeek handle={handle} />}
      <section>
        <h2>Any pain, numbness or tiredness?</h2>
        <div className={css.answers}>
          <Button size="lg" aria-keyshortcuts="w" onClick={allWell}>
            All is well
          </Button>
          <Button size="lg" variant="default" aria-keyshortcuts="y" onClick={() => setOpen(true)}>
            Yes, something
          </Button>
        </div>
        {open && <Reports handle={handle} onDone={onDone} />}
      </section>
      {lesson.weeks_away !== null && <Away handle={handle} weeks={lesson.weeks_away} />}
      <Reminders reminders={lesson.reminders} />
      <section>
        <h2>What does the player complain of?</h2>
        <Complaint handle={handle} catalogue={catalogue} />
        <Checkbox
          mt="sm"
          size="md"
          label="Harder piece now: look again at what was gone"
          checked={lesson.harder_piece}
          onChange={(event) => enter('harder', '', event.currentTarget.checked)}
        />
      </section>
    </div>
  );
}

/** After a long time without a lesson: was there a break? It halves what loads the hand. */
function Away({ handle, weeks }: { handle: LessonHandle; weeks: number }) {
  const { lesson, enter } = handle;
  return (
    <section>
      <h2>{weeks} weeks since the last lesson. Played in between?</h2>
      <div className={css.answers} role="group" aria-label="Played in between">
        <Button
          variant={lesson.break_weeks === 0 ? 'filled' : 'default'}
          aria-pressed={lesson.break_weeks === 0}
          onClick={() => enter('break', '', 0)}
        >
          Yes
        </Button>
        <Button
          variant={lesson.break_weeks > 0 ? 'filled' : 'default'}
          aria-pressed={lesson.break_weeks > 0}
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
  return (
    <>
      <div className={css.common} role="group" aria-label="Common complaints">
        {words
          .filter((c) => c.common)
          .map((c) => (
            <button
              key={c.evidence}
              type="button"
              aria-pressed={lesson.complaint === c.evidence}
              onClick={() =>
                enter('complaint', '', lesson.complaint === c.evidence ? null : c.evidence)
              }
            >
              {c.says}
            </button>
          ))}
      </div>
      <Select
        aria-label="Complaint"
        placeholder="Something else: type a few letters"
        size="lg"
        searchable
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
    </>
  );
}

function Reports({ handle, onDone }: { handle: LessonHandle; onDone: () => void }) {
  const { enter } = handle;
  const [reports, setReports] = useState<Record<string, unknown>>(handle.lesson.reports);
  const times = Array.isArray(reports['pain_when']) ? (reports['pain_when'] as string[]) : [];

  function change(name: string, value: unknown) {
    const rest = Object.fromEntries(Object.entries(reports).filter(([key]) => key !== name));
    const empty = value === null || value === false || (Array.isArray(value) && value.length === 0);
    const next = empty ? rest : { ...rest, [name]: value };
    setReports(next);
    enter('reports', '', next);
  }

  return (
    <div className={css.reports}>
      <div className={css.pain}>
        <NumberInput
          label="Pain, 0 to 10"
          min={0}
          max={10}
          clampBehavior="strict"
          value={typeof reports['pain'] === 'number' ? reports['pain'] : ''}
          onChange={(value) => change('pain', typeof value === 'number' ? value : null)}
        />
        <Select
          label="Where"
          data={PLACES.map((p) => ({ value: p, label: p === 'skin' ? 'fingertip skin' : p }))}
          value={typeof reports['place'] === 'string' ? reports['place'] : null}
          onChange={(value) => change('place', value)}
        />
        <NumberInput
          label="Weeks in the same place"
          min={0}
          value={typeof reports['same_place_weeks'] === 'number' ? reports['same_place_weeks'] : ''}
          onChange={(value) => change('same_place_weeks', typeof value === 'number' ? value : null)}
        />
      </div>
      <Checkbox.Group
        label="When does it hurt?"
        value={times}
        onChange={(value) => change('pain_when', value)}
      >
        <div className={css.checks}>
          {TIMES.map(([name, words]) => (
            <Checkbox key={name} value={name} label={words} size="md" />
          ))}
          <Checkbox
            label="it is new"
            size="md"
            checked={reports['new'] === true}
            onChange={(event) => change('new', event.currentTarget.checked)}
          />
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

function LastWeek({ handle }: { handle: LessonHandle }) {
  return (
    <section>
      <h2>Last week: show me</h2>
      <ul className={css.week}>
        {handle.lesson.review.map((row) => (
          <ReviewRow key={row.item} row={row} enter={handle.enter} />
        ))}
      </ul>
    </section>
  );
}

function ReviewRow({ row, enter }: { row: Schemas['ReviewOut']; enter: LessonHandle['enter'] }) {
  const answer = (passed: boolean) =>
    enter('result', String(row.item), row.passed === passed ? null : { passed });
  return (
    <li className={css.review}>
      <div>
        <strong>{row.name}</strong>
        <div className="quiet">
          step {row.rung} of {row.rungs}: {row.rung_words}. Passed when: {row.passed_when}.
        </div>
      </div>
      <span className="quiet">{row.days_done} days done at home</span>
      <div className={css.shown} role="group" aria-label={`${row.name}, shown today`}>
        <Button
          variant={row.passed === true ? 'filled' : 'default'}
          aria-pressed={row.passed === true}
          onClick={() => answer(true)}
        >
          Shown
        </Button>
        <Button
          variant={row.passed === false ? 'filled' : 'default'}
          aria-pressed={row.passed === false}
          onClick={() => answer(false)}
        >
          Not yet
        </Button>
      </div>
      <div className={css.move}>
        <span>
          <strong>{MOVE_WORDS[row.move]}</strong>
          {row.next_rung !== row.rung && ` to step ${row.next_rung}`}: {row.reason}
        </span>
      </div>
    </li>
  );
}
