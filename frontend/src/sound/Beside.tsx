import { useState } from 'react';

import { WordChoice } from '../components/WordChoice';
import { shortDate } from '../words/words';
import { AsTrial, type OnTrial, type Trial } from './AsTrial';
import css from './Beside.module.css';
import type { TwoTakes } from './takes';
import * as say from '../messages/compiled/sound';
import { FINGER_NAMES } from '../words/ordinals';

const KIND_WORDS = {
  slow_fast: say.slowBesideFast(),
  before_after: say.beforeBesideAfter(),
  first_now: say.firstLessonBesideNow(),
};
const WIDTH = 260;
const HEIGHT = 44;
const MOST = 55;

interface Props {
  pairs: TwoTakes[];
  trials: Trial[];
  onTrial: OnTrial;
}

/** Two takes of one drill, finger by finger: a hollow mark before, a full one after. */
export function Beside({ pairs, trials, onTrial }: Props) {
  const [kind, setKind] = useState<TwoTakes['kind'] | null>(null);
  const pair = pairs.find((each) => each.kind === kind) ?? pairs[0];
  if (!pair) return null;
  const [before, after] = wordsOf(pair);
  return (
    <section aria-label={say.twoTakesBesideEachOther()} className={css.beside}>
      <WordChoice
        className={css.kinds}
        label={say.whichTwo()}
        choices={pairs.map((each) => ({ id: each.kind, words: KIND_WORDS[each.kind] }))}
        chosen={pair.kind}
        onChoose={setKind}
      />
      <p className={css.sentence}>{pair.sentence}</p>
      {pair.grades && (
        <AsTrial key={pair.after} grades={pair.grades} trials={trials} onTrial={onTrial} />
      )}
      <table aria-label={say.bothTakesByFinger()}>
        <thead>
          <tr>
            <th scope="col">{say.finger()}</th>
            <th scope="col">{before} ○</th>
            <th scope="col">
              <span className={css.scale}>
                <span>{say.low()}</span>
                <span>{say.inTune()}</span>
                <span>{say.high()}</span>
              </span>
            </th>
            <th scope="col">{after} ●</th>
            <th scope="col">{say.changed()}</th>
          </tr>
        </thead>
        <tbody>
          {pair.fingers.map((each) => (
            <tr key={each.finger}>
              <th scope="row">{FINGER_NAMES[each.finger]}</th>
              <td>{cents(each.before)}</td>
              <td>
                <Marks finger={each} />
              </td>
              <td>{cents(each.after)}</td>
              <td>
                {each.is_moved
                  ? say.cents({ after: cents(each.after - each.before) })
                  : say.notThatCanBeTold()}
              </td>
            </tr>
          ))}
          {pair.measured.map((each) => (
            <tr key={`measured ${each.finger}`}>
              <th scope="row">
                {each.finger === null ? say.allOfIt() : FINGER_NAMES[each.finger]}
              </th>
              <td>
                {each.before} {each.unit}
              </td>
              <td />
              <td>
                {each.after} {each.unit}
              </td>
              <td>{each.is_moved ? say.yes() : say.notThatCanBeTold()}</td>
            </tr>
          ))}
          {pair.spread && (
            <tr>
              <th scope="row">{say.spacing()}</th>
              <td>{pair.spread[0]} %</td>
              <td />
              <td>{pair.spread[1]} %</td>
              <td>{pair.is_spread_moved ? say.yes() : say.notThatCanBeTold()}</td>
            </tr>
          )}
        </tbody>
      </table>
    </section>
  );
}

function Marks({ finger }: { finger: TwoTakes['fingers'][number] }) {
  const x = (value: number) =>
    ((Math.max(-MOST, Math.min(MOST, value)) + MOST) / (2 * MOST)) * WIDTH;
  const { before, after, before_give, after_give } = finger;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className={css.marks} aria-hidden="true">
      <path className={css.middle} d={`M${WIDTH / 2} 0V${HEIGHT}`} />
      <path className={css.give} d={`M${x(before - before_give)} 14H${x(before + before_give)}`} />
      <path className={css.give} d={`M${x(after - after_give)} 31H${x(after + after_give)}`} />
      <circle className={css.before} cx={x(before)} cy="14" r="7" />
      <circle className={css.after} cx={x(after)} cy="31" r="7" />
    </svg>
  );
}

function wordsOf(pair: TwoTakes): [string, string] {
  if (pair.kind === 'slow_fast') return ['slow', 'fast'];
  return pair.kind === 'before_after' ? ['before', 'after'] : [shortDate(pair.before_on), 'now'];
}

function cents(value: number): string {
  const near = Math.round(value);
  return near > 0 ? `+${near}` : near < 0 ? `−${-near}` : '0';
}
