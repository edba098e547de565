import { Link } from 'wouter';

import type { Lesson } from '../api/client';
import { Key } from '../components/Key';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { TwoHands } from '../drawings/TwoHands';
import { ExerciseMusic } from '../exercise/ExerciseMusic';
import { ExerciseFacts, ExerciseSteps } from '../exercise/ExerciseText';
import { minutesWords, weekday } from '../words/words';
import daysCss from './Days.module.css';
import css from './GiveStep.module.css';
import { Tempos, TryTempo } from './ItemTempo';
import { NeckPlaces } from './NeckPlaces';
import {
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
import { Setting } from './Setting';
import { useHow } from './useHow';
import * as say from '../messages/compiled/lesson';
import { fromTo } from '../words/lists';

interface Props {
  item: PlanItem;
  items: PlanItem[];
  lesson: Lesson;
  store: (wishes: Wish[]) => void;
  onDislike: (exercise: string) => void;
  onClose: () => void;
}

/** One exercise opened: how it goes, and everything about it that can be changed by hand. */
export function ItemPanel({ item, items, lesson, store, onDislike, onClose }: Props) {
  const place = items.findIndex((each) => each.exercise === item.exercise);
  const change = (wish: Wish) => store(changed(items, item.exercise, () => wish));
  const move = (by: number) => store(movedTo(items, item.exercise, place + by));
  return (
    <>
      <header className={css.top}>
        <h2>{item.name}</h2>
        <button type="button" className={touch.word} onClick={onClose}>
          {say.close()}
          <Key name="Esc" />
        </button>
      </header>
      <Scroll className={css.scroll}>
        <HowItGoes item={item} place={place + 1} lesson={lesson} onChange={change} />
        <InPiece item={item} lesson={lesson} />
        {item.tempo_steps.length > 1 && (
          <TryTempo
            key={item.tempo_steps.join()}
            item={item}
            onStart={(tempo) => change({ ...wishOf(item), tempo })}
          />
        )}
      </Scroll>
      <div className={css.settings}>
        <Setting
          label={say.step()}
          value={say.ofOfRung({ rung: item.rung, rungs: item.rungs })}
          detail={item.rung_words}
          less={item.rung > 1 ? () => change(onRung(item, -1)) : undefined}
          more={item.rung < item.rungs ? () => change(onRung(item, 1)) : undefined}
          name={item.name}
        />
        <Setting
          label={say.dose()}
          value={item.dose}
          detail={minutesWords(item.minutes)}
          less={() => change(moreOrLess(item, -1))}
          more={() => change(moreOrLess(item, 1))}
          name={item.name}
        />
        <Tempos item={item} onChange={change} />
        <div className={css.days}>
          <div className={daysCss.days} role="group" aria-label={say.daysOf({ name: item.name })}>
            {DAYS.map((day) => (
              <button
                key={day}
                type="button"
                aria-pressed={item.days.includes(day)}
                onClick={() => change(withDay(item, day))}
              >
                <i />
                {weekday(lesson.date, day)}
              </button>
            ))}
          </div>
        </div>
        <div className={css.actions}>
          <button
            type="button"
            className={touch.word}
            disabled={place === 0}
            onClick={() => move(-1)}
          >
            {say.earlier()}
          </button>
          <button
            type="button"
            className={touch.word}
            disabled={place === items.length - 1}
            onClick={() => move(1)}
          >
            {say.later()}
          </button>
          <button
            type="button"
            className={touch.word}
            aria-keyshortcuts="x"
            onClick={() => store(items.filter((each) => each !== item).map(wishOf))}
          >
            {say.takeOut()}
            <Key name="x" />
          </button>
          <button type="button" className={touch.word} onClick={() => onDislike(item.exercise)}>
            {say.notLiked()}
          </button>
        </div>
      </div>
    </>
  );
}

interface HowProps {
  item: PlanItem;
  place: number;
  lesson: Lesson;
  onChange: (wish: Wish) => void;
}

function HowItGoes({ item, place, lesson, onChange }: HowProps) {
  const query = useHow(item, place, lesson);
  if (query.error) return <p role="alert">{query.error.message}</p>;
  const how = query.data;
  if (!how) return <p data-pending>{say.oneMoment()}</p>;
  return (
    <section aria-label={say.howItGoes()} className={css.how}>
      {how.picture && <TwoHands pair={how.picture} between={how.picture.frames} width="10.5rem" />}
      <ExerciseSteps steps={how.steps} />
      {how.child && <p>“{how.child}”</p>}
      <ExerciseMusic item={how} />
      <NeckPlaces
        spots={how.spots}
        now={item.spot}
        onChoose={(spot) => onChange({ ...wishOf(item), spot })}
      />
      <ExerciseFacts item={how} only={['mirror', 'stop']} />
    </section>
  );
}

/** The bars of the player's own piece that the step is played in. */
function InPiece({ item, lesson }: { item: PlanItem; lesson: Lesson }) {
  if (!item.takes_piece) return null;
  const place = item.in_piece;
  const player = `/players/${lesson.player.id}`;
  return (
    <Link
      className={touch.word}
      href={place ? `${player}/pieces/${place.piece}?lesson=${lesson.id}` : player}
    >
      {place
        ? say.bars({ title: place.title, bars: fromTo(place.bars) })
        : say.chooseBarsOfThePlayers()}
    </Link>
  );
}
