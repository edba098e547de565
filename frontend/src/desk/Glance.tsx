import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';

import type { Schemas } from '../api/client';
import { glanceQuery } from '../api/deskQueries';
import touch from '../components/touch.module.css';
import { WordChoice } from '../components/WordChoice';
import { shortDate } from '../words/words';
import css from './Glance.module.css';
import * as say from '../messages/compiled/desk';

const SPANS = [
  { id: '120', words: say.fourMonths() },
  { id: '365', words: say.aYear() },
  { id: '1095', words: say.threeYears() },
];

/** Which causes are met most, what is given and never done, minutes asked and played. */
export function Glance() {
  const [days, setDays] = useState('120');
  const since = daysAgo(Number(days));
  const glance = useQuery(glanceQuery(since));
  if (glance.error && !glance.data) return <p role="alert">{glance.error.message}</p>;
  return (
    <section>
      <h2>{say.theStudioAtAGlance()}</h2>
      <p className="quiet">{say.countsOfYourOwnLessons()}</p>
      <WordChoice label={say.howFarBack()} choices={SPANS} chosen={days} onChoose={setDays} />
      {glance.data && <Told glance={glance.data} />}
      <p className={css.take}>
        <a href={`/api/desk/glance.csv?since=${since}`}>{say.asATable()}</a>
        <button type="button" className={touch.word} onClick={() => window.print()}>
          {say.printThisPage()}
        </button>
      </p>
    </section>
  );
}

function Told({ glance }: { glance: Schemas['GlanceOut'] }) {
  const { causes, given } = glance;
  return (
    <>
      <p>
        {say.toLessonsOfPlayersOf({
          since: shortDate(glance.since),
          until: shortDate(glance.until),
          lessons: glance.lessons,
          players: glance.players,
          weeks: glance.weeks,
          told: glance.told,
          played: Math.round(glance.played),
          asked: Math.round(glance.asked),
        })}
      </p>
      <h3>{say.metMost()}</h3>
      <Bars
        rows={causes.map((each) => ({
          id: each.cause,
          name: each.name,
          count: each.players,
          of: glance.players,
          words: say.ofPlayers({ players: each.players, players2: glance.players }),
        }))}
        none={say.noCauseWasTheFocus()}
      />
      <h3>{say.givenAndHowOftenIt()}</h3>
      <Bars
        rows={given.map((each) => ({
          id: each.exercise,
          name: each.name,
          count: each.done,
          of: each.weeks,
          words: say.doneInOfWeeks({ done: each.done, weeks: each.weeks }),
        }))}
        none={say.noExerciseWasGivenIn()}
      />
    </>
  );
}

interface Row {
  id: string;
  name: string;
  count: number;
  of: number;
  words: string;
}

function Bars({ rows, none }: { rows: Row[]; none: string }) {
  if (rows.length === 0) return <p>{none}</p>;
  return (
    <ul className={css.bars}>
      {rows.map((row) => (
        <li key={row.id}>
          <strong>{row.name}</strong>
          <span className={css.bar} aria-hidden="true">
            <i style={{ width: `${(100 * row.count) / Math.max(1, row.of)}%` }} />
          </span>
          <span>{row.words}</span>
        </li>
      ))}
    </ul>
  );
}

function daysAgo(days: number): string {
  return new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10);
}
