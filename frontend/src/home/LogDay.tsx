import { useState } from 'react';

import { PainPlace } from '../components/PainPlace';
import css from './HomePage.module.css';
import { type DayLog, type HomeItem, isStop } from './weekNow';

const DONE: [string, string][] = [
  ['done', 'All of it'],
  ['partly', 'Some of it'],
  ['not', 'Not today'],
];
const FELT: [string, string][] = [
  ['soft', 'Soft'],
  ['mixed', 'So so'],
  ['tight', 'Tight'],
];
const PAINS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
const SIGNS: [string, string][] = [
  ['numbness', 'numb or tingling'],
  ['radiating', 'pain that runs along the arm'],
  ['curling', 'a finger curls by itself'],
  ['swelling', 'swollen'],
  ['sudden_weakness', 'suddenly weak'],
];

interface Props {
  date: string;
  isToday: boolean;
  /** What the day holds, to tell which of it was done. */
  items: readonly HomeItem[];
  before: DayLog | null;
  /** What the day's practice has found besides; what was kept before stays otherwise. */
  more?: Pick<DayLog, 'tempos' | 'checks'>;
  onLog: (log: DayLog) => void;
}

/** How the day went, in three touches: done, felt, pain. The last one keeps it; where it hurt is
    asked then, so that nothing waits for it. */
export function LogDay({ date, isToday, items, before, more, onLog }: Props) {
  const [again, setAgain] = useState(false);
  const [done, setDone] = useState<string | null>(null);
  const [parts, setParts] = useState<string[]>([]);
  const [felt, setFelt] = useState<string | null>(null);
  const [signs, setSigns] = useState<string[]>([]);

  function keep(log: Omit<DayLog, 'date' | 'parts' | 'later' | 'tempos' | 'checks'>) {
    const { tempos, checks } = more ?? {
      tempos: before?.tempos ?? {},
      checks: before?.checks ?? {},
    };
    const some = log.done === 'partly' && parts.length > 0 ? parts : null;
    onLog({ date, ...log, parts: some, later: null, tempos, checks });
    setAgain(false);
    setDone(null);
    setParts([]);
    setFelt(null);
    setSigns([]);
  }
  function choose(value: string) {
    if (value === 'not') keep({ done: value, felt: '', pain: 0, place: '', signs: [] });
    else setDone(value);
  }
  if (before && !again) {
    return (
      <section className={css.log} aria-label="How it went">
        <p>
          <strong>{saidOf(before, items)}</strong> {isStop(before) ? '' : 'Thank you.'}
        </p>
        {before.pain > 0 && before.place === '' && (
          <>
            <h2>Where did it hurt?</h2>
            <PainPlace chosen="" onPick={(place) => onLog({ ...before, place, later: null })} />
          </>
        )}
        <button type="button" className={css.plain} onClick={() => setAgain(true)}>
          Change it
        </button>
      </section>
    );
  }
  return (
    <section className={css.log} aria-label="How it went">
      <h2>{isToday ? 'How did it go today?' : 'How did it go?'}</h2>
      <Choice name="Done" options={DONE} chosen={done} onChoose={choose} />
      {done === 'partly' && items.length > 1 && (
        <div className={css.signs} role="group" aria-label="Which of it">
          {items.map(({ exercise, name }) => {
            const isIn = parts.includes(exercise);
            const others = parts.filter((each) => each !== exercise);
            return (
              <button
                key={exercise}
                type="button"
                aria-pressed={isIn}
                onClick={() => setParts(isIn ? others : [...others, exercise])}
              >
                {name}
              </button>
            );
          })}
        </div>
      )}
      {done !== null && (
        <Choice name="How the hand felt" options={FELT} chosen={felt} onChoose={setFelt} />
      )}
      {done !== null && felt !== null && (
        <div role="group" aria-label="Any pain">
          <button
            type="button"
            className={css.main}
            onClick={() => keep({ done, felt, pain: 0, place: '', signs })}
          >
            Nothing hurt
          </button>
          <p>It hurt, from 1 (hardly) to 10:</p>
          <div className={css.pains}>
            {PAINS.map((each) => (
              <button
                key={each}
                type="button"
                aria-label={`Pain ${each} of 10`}
                onClick={() => keep({ done, felt, pain: each, place: '', signs })}
              >
                {each}
              </button>
            ))}
          </div>
          <p>Something else is wrong:</p>
          <div className={css.signs}>
            {SIGNS.map(([id, words]) => (
              <button
                key={id}
                type="button"
                onClick={() => keep({ done, felt, pain: 0, place: '', signs: [...signs, id] })}
              >
                {words}
              </button>
            ))}
          </div>
        </div>
      )}
    </section>
  );
}

function Choice({
  name,
  options,
  chosen,
  onChoose,
}: {
  name: string;
  options: [string, string][];
  chosen: string | null;
  onChoose: (value: string) => void;
}) {
  return (
    <div className={css.choice} role="group" aria-label={name}>
      {options.map(([value, words]) => (
        <button
          key={value}
          type="button"
          aria-pressed={value === chosen}
          onClick={() => onChoose(value)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}

function placeWords(place: string): string {
  return place === 'skin' ? 'fingertip skin' : place.replace('_', ' ');
}

function saidOf(log: DayLog, items: readonly HomeItem[]): string {
  const all = DONE.find(([value]) => value === log.done)?.[1].toLowerCase() ?? '';
  const which = items.filter((item) => log.parts?.includes(item.exercise)).map((i) => i.name);
  const done = which.length > 0 ? which.join(', ') : all;
  const felt = FELT.find(([value]) => value === log.felt)?.[1].toLowerCase();
  const where =
    log.place === '' || log.place === 'somewhere' ? 'it' : `the ${placeWords(log.place)}`;
  const hurt = log.pain > 0 ? `, ${where} hurt: ${log.pain} of 10` : '';
  return `Kept: ${done}${felt ? `, ${felt}` : ''}${hurt}.`;
}
