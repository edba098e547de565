import { ActionIcon, Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'wouter';

import type { Lesson } from '../api/client';
import { Sign } from '../components/Sign';
import { TempoWork } from '../exercise/TempoWork';
import { tempoAfter } from '../exercise/tempoWork';
import { minutesWords, MOVE_WORDS } from '../words/words';
import css from './GiveStep.module.css';
import { HowItGoes } from './HowItGoes';
import {
  atTempo,
  changed,
  DAYS,
  moreOrLess,
  movedTo,
  onRung,
  type PlanItem,
  type Wish,
  wishOf,
  withDay,
} from './planDraft';
import { weekday } from './weekday';

interface Props {
  item: PlanItem;
  items: PlanItem[];
  lesson: Lesson;
  /** Keys change this one. */
  active: boolean;
  store: (wishes: Wish[]) => void;
  onDislike: (exercise: string) => void;
}

const TEMPO_STEP = 4;
const DRAGGED = 'text/plain';

/** One exercise of the week, with everything about it that can be changed by hand. */
export function PlanItemRow({ item, items, lesson, active, store, onDislike }: Props) {
  const place = items.findIndex((each) => each.exercise === item.exercise);
  const move = (exercise: string, to: number) => store(movedTo(items, exercise, to));
  const review = lesson.review.find((row) => row.exercise === item.exercise);
  const change = (wish: Wish) => store(changed(items, item.exercise, () => wish));
  const remove = () => store(items.filter((i) => i.exercise !== item.exercise).map(wishOf));
  return (
    <li
      className={css.item}
      data-active={active || undefined}
      draggable
      onDragStart={(event) => event.dataTransfer.setData(DRAGGED, item.exercise)}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const dragged = event.dataTransfer.getData(DRAGGED);
        if (dragged !== item.exercise && items.some((each) => each.exercise === dragged)) {
          move(dragged, place);
        }
      }}
    >
      <div className={css.what}>
        <h3>
          {item.name}
          {item.fingers.length > 0 && ` (finger ${item.fingers.join(', ')})`}
        </h3>
        <p>{item.why}</p>
        {review && (
          <p className="quiet">
            {MOVE_WORDS[review.move]}: {review.reason}.
          </p>
        )}
        {!review && lesson.review.length > 0 && <p className="quiet">New this week.</p>}
        <HowItGoes key={item.rung} item={item} place={place + 1} lesson={lesson} />
      </div>
      <div className={css.numbers}>
        <Stepper
          label="Step"
          value={`${item.rung} of ${item.rungs}`}
          detail={item.rung_words}
          less={item.rung > 1 ? () => change(onRung(item, -1)) : undefined}
          more={item.rung < item.rungs ? () => change(onRung(item, 1)) : undefined}
          name={item.name}
        />
        <Stepper
          label="Dose"
          value={item.dose}
          detail={`${item.tempo ? `♩ = ${item.tempo}, ` : ''}${minutesWords(item.minutes)}`}
          less={() => change(moreOrLess(item, -1))}
          more={() => change(moreOrLess(item, 1))}
          name={item.name}
        />
        <Tempos item={item} onChange={change} />
      </div>
      {item.tempo_steps.length > 1 && (
        <TryTempo
          key={item.tempo_steps.join()}
          item={item}
          onStart={(tempo) => change({ ...wishOf(item), tempo })}
        />
      )}
      <div className={css.daysRow}>
        <div className={css.days} role="group" aria-label={`Days of ${item.name}`}>
          {DAYS.map((day) => (
            <button
              key={day}
              type="button"
              aria-pressed={item.days.includes(day)}
              onClick={() => change(withDay(item, day))}
            >
              {weekday(lesson.date, day)}
            </button>
          ))}
        </div>
        <InPiece item={item} lesson={lesson} />
      </div>
      <div className={css.rowActions}>
        <ActionIcon
          size={44}
          variant="subtle"
          aria-label={`Earlier: ${item.name}`}
          disabled={place === 0}
          onClick={() => move(item.exercise, place - 1)}
        >
          <Sign name="up" />
        </ActionIcon>
        <ActionIcon
          size={44}
          variant="subtle"
          aria-label={`Later: ${item.name}`}
          disabled={place === items.length - 1}
          onClick={() => move(item.exercise, place + 1)}
        >
          <Sign name="down" />
        </ActionIcon>
        <Button variant="subtle" onClick={remove} aria-label={`Take out ${item.name}`}>
          Take out
        </Button>
        <Button
          variant="subtle"
          aria-label={`Not liked: ${item.name}`}
          onClick={() => onDislike(item.exercise)}
        >
          Not liked
        </Button>
      </div>
    </li>
  );
}

/** The bars of the player's own piece that the step is played in. */
function InPiece({ item, lesson }: { item: PlanItem; lesson: Lesson }) {
  if (!item.takes_piece) return null;
  const place = item.in_piece;
  const player = `/players/${lesson.player.id}`;
  return (
    <Button
      component={Link}
      variant="subtle"
      size="md"
      href={place ? `${player}/pieces/${place.piece}?lesson=${lesson.id}` : player}
    >
      {place
        ? `${place.title}, bars ${place.bars.join(' to ')}`
        : 'Choose bars of the player’s own piece'}
    </Button>
  );
}

/** Where the beat starts and where it leads; one touch gives it one where it has none. */
function Tempos({ item, onChange }: { item: PlanItem; onChange: (wish: Wish) => void }) {
  if (!item.tempo_work && item.goal === null) return null;
  if (item.goal === null) {
    return (
      <Button variant="subtle" onClick={() => onChange(atTempo(item, 'goal', 0))}>
        Give {item.name} a beat
      </Button>
    );
  }
  return (
    <div className={css.tempos}>
      {(['tempo', 'goal'] as const).map((which) => (
        <Stepper
          key={which}
          label={which === 'tempo' ? 'Start' : 'Goal'}
          value={`♩ = ${item[which]}`}
          detail=""
          less={() => onChange(atTempo(item, which, -TEMPO_STEP))}
          more={() => onChange(atTempo(item, which, TEMPO_STEP))}
          name={item.name}
        />
      ))}
    </div>
  );
}

/** Find the loose tempo in the lesson; the week then starts from it. */
function TryTempo({ item, onStart }: { item: PlanItem; onStart: (tempo: number) => void }) {
  const [plays, setPlays] = useState<boolean[]>([]);
  const { highest } = tempoAfter(item.tempo_steps, plays);
  return (
    <details className={css.tryTempo}>
      <summary>Find the loose tempo now</summary>
      <TempoWork
        steps={item.tempo_steps}
        plays={plays}
        onPlay={(clean) => setPlays([...plays, clean])}
        name={item.name}
      />
      {highest !== null && highest !== item.tempo && (
        <Button variant="default" onClick={() => onStart(highest)}>
          Start the week at ♩ = {highest}
        </Button>
      )}
    </details>
  );
}

interface StepperProps {
  label: string;
  value: string;
  detail: string;
  less: (() => void) | undefined;
  more: (() => void) | undefined;
  name: string;
}

function Stepper({ label, value, detail, less, more, name }: StepperProps) {
  return (
    <div className={css.stepper} role="group" aria-label={`${label} of ${name}`}>
      <ActionIcon
        size={44}
        variant="default"
        aria-label={`${label} down, ${name}`}
        disabled={!less}
        onClick={less}
      >
        <Sign name="less" />
      </ActionIcon>
      <div>
        <div className="quiet">{label}</div>
        <strong>{value}</strong>
        <div className="quiet">{detail}</div>
      </div>
      <ActionIcon
        size={44}
        variant="default"
        aria-label={`${label} up, ${name}`}
        disabled={!more}
        onClick={more}
      >
        <Sign name="more" />
      </ActionIcon>
    </div>
  );
}
