import { useState } from 'react';
import { useLocation } from 'wouter';

import { useStartLesson } from '../api/useStartLesson';
import type { Evidence, Schemas } from '../api/client';
import { Key } from '../components/Key';
import { Lens } from '../components/Lens';
import { NextAction } from '../components/NextAction';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { useBounceGuard } from '../components/useBounceGuard';
import { useKeys } from '../components/useKeys';
import { ringOf } from '../drawings/lens';
import { useGradedHands } from '../drawings/useGradedHands';
import screen from '../components/screen.module.css';
import { ALL_KEY, FINGER_KEYS, FINGERS, toggled } from '../words/fingers';
import { GRADE_WORDS, gradeWord } from '../words/words';
import { leftToGrade, nextPlayer } from './sweepGrades';
import { SweepRow } from './SweepRow';
import css from './Sweep.module.css';
import type { SweepHandle } from './useSweep';
import * as say from '../messages/compiled/class';

interface Props {
  check: Evidence;
  checks: Evidence[];
  handle: SweepHandle;
  onTurn: (by: number) => void;
}

/** One check over the group: its scale stands once, above four columns to touch. */
export function Sweep({ check, checks, handle, onTurn }: Props) {
  const { sweep } = handle;
  const [, navigate] = useLocation();
  const [chosen, setChosen] = useState<number | null>(null);
  const [asked, setAsked] = useState<number | null>(null);
  const left = leftToGrade(sweep, check.id);
  const active = chosen ?? left[0] ?? null;
  const guard = useBounceGuard();
  const rowOf = (player: number | null) => sweep.rows.find((each) => each.player.id === player);

  function grade(player: number, value: number) {
    const again = rowOf(player)?.now[check.id] === value;
    handle.grade(player, check.id, again ? null : value);
    setChosen(again ? player : nextPlayer(sweep, check.id, player));
    setAsked(check.per_finger && value > 0 && !again ? player : null);
  }
  function tellFingers(player: number, fingers: number[]) {
    const now = rowOf(player)?.now[check.id];
    if (now !== undefined) handle.grade(player, check.id, now, fingers);
  }
  function toggleFinger(finger: number) {
    const row = rowOf(asked);
    if (row) tellFingers(row.player.id, toggled(row.fingers[check.id] ?? [], finger));
  }
  function move(by: number) {
    const order = sweep.rows.map((row) => row.player.id);
    const from = active === null ? -1 : order.indexOf(active);
    setChosen(order[Math.min(order.length - 1, Math.max(0, from + by))] ?? null);
  }
  const gradeActive = (value: number) => {
    const row = rowOf(active);
    if (!row?.has.includes(check.id) || !guard.mayGrade()) return;
    guard.moved();
    grade(row.player.id, value);
  };
  const rest = left.length > 0 ? () => handle.rest(check.id) : undefined;
  const isLast = checks.at(-1) === check;
  const goOn = () => (isLast ? navigate('/class') : onTurn(1));
  useKeys({
    ...Object.fromEntries([0, 1, 2, 3].map((g) => [String(g), () => gradeActive(g)])),
    ...Object.fromEntries(FINGER_KEYS.map((key, i) => [key, () => toggleFinger(i + 1)])),
    [ALL_KEY]: () => asked !== null && tellFingers(asked, FINGERS),
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    ArrowRight: () => onTurn(1),
    ArrowLeft: () => onTurn(-1),
    o: rest,
    Enter: goOn,
  });
  return (
    <div className={`${screen.screen} ${css.screen}`}>
      <section className={`${screen.left} ${css.left}`} aria-label={say.sweep()}>
        <Scale check={check} instrument={sweep.rows[0]?.player.instrument ?? 'vn'} />
        <Scroll className={css.rows}>
          <ul>
            {sweep.rows.map((row) => (
              <SweepRow
                key={row.player.id}
                row={row}
                check={check}
                active={row.player.id === active}
                asks={row.player.id === asked}
                onGrade={(value) => grade(row.player.id, value)}
                onFingers={(fingers) => tellFingers(row.player.id, fingers)}
                onAsk={() => setAsked(row.player.id)}
              />
            ))}
          </ul>
        </Scroll>
      </section>
      <Closer sweep={sweep} checks={checks} />
      <div className={`${screen.foot} ${css.foot}`}>
        <button type="button" className={touch.word} disabled={!rest} onClick={rest}>
          {restWords(left.length, sweep.rows.length)}
          {rest && <Key name="o" />}
        </button>
        <NextAction isNext={left.length === 0} onClick={goOn}>
          {isLast ? say.done() : say.nextCheck()}
        </NextAction>
      </div>
    </div>
  );
}

function restWords(left: number, all: number): string {
  if (left === 0) return say.allSeen();
  return left === all ? say.everybodyNotThere() : say.allTheOthersNotThere();
}

/** What is looked at, and its four grades with their pictures above their columns. */
function Scale({ check, instrument }: { check: Evidence; instrument: string }) {
  const hands = useGradedHands(check, instrument, null);
  const ring = ringOf(hands?.frames ?? []);
  return (
    <div className={css.scale}>
      <h2>{check.label}</h2>
      <p>{check.look}</p>
      <ol aria-hidden="true">
        {GRADE_WORDS.map((word, grade) => (
          <li key={word}>
            <Lens frame={hands?.frames[grade]} ring={ring} />
            {word}
          </li>
        ))}
      </ol>
    </div>
  );
}

interface CloserProps {
  sweep: Schemas['SweepOut'];
  checks: Evidence[];
}

function Closer({ sweep, checks }: CloserProps) {
  const start = useStartLesson();
  return (
    <section className={`${screen.right} ${css.closer}`} aria-labelledby="closer">
      <h2 id="closer">{say.lookCloserAt()}</h2>
      {sweep.closer.length === 0 && <p className="quiet">{say.nobodySoFarClearFindings()}</p>}
      <ol>
        {sweep.closer.map((each) => {
          const name = sweep.rows.find((row) => row.player.id === each.player)?.player.name ?? '';
          const label = checks.find((check) => check.id === each.check)?.label ?? '';
          return (
            <li key={each.player}>
              <button type="button" onClick={() => start.mutate(each.player)}>
                <strong>
                  <span className="sr-only">{say.lookCloserAt()} </span>
                  {name}
                </strong>
                <small>
                  {each.is_more
                    ? say.moreThanLastTime({ grade: gradeWord(each.grade), label })
                    : say.gradeOf({ grade: gradeWord(each.grade), label })}
                </small>
              </button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
