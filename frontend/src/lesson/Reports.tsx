import '@mantine/core/styles/Checkbox.css';

import { Checkbox } from '@mantine/core';

import { PainPlace } from '../components/PainPlace';
import { PainScale } from './PainScale';
import css from './Reports.module.css';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

const SIGNS: [string, string][] = [
  ['numbness', say.numbnessOrTingling()],
  ['radiating', say.painThatTravelsAlongThe()],
  ['curling', say.aFingerThatCurlsOr()],
  ['swelling', say.swelling()],
  ['sudden_weakness', say.suddenWeaknessDroppingThings()],
  ['tired_next_day', say.tirednessIntoTheNextDay()],
  ['earlier_injury', say.anEarlierInjuryOrOperation()],
  ['playing_jump', say.muchMorePlayingThanThe()],
];
const TIMES: [string, string][] = [
  ['playing', say.whilePlaying()],
  ['rest', say.atRest()],
  ['night', say.atNight()],
  ['next_day', say.stillTheNextDay()],
];

/** How the body is: pain by number, place and time, and the signs that stop a week. */
export function Reports({ handle }: { handle: LessonHandle }) {
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
        label={say.whenDoesItHurt()}
        value={times}
        onChange={(value) => change('pain_when', value)}
      >
        <div className={css.checks}>
          {TIMES.map(([name, words]) => (
            <Checkbox key={name} value={name} label={words} size="md" />
          ))}
        </div>
      </Checkbox.Group>
      <fieldset className={css.checks}>
        <legend>{say.isThereAnyOfThis()}</legend>
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
    </div>
  );
}
