import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';

import type { Schemas } from '../api/client';
import { glanceQuery } from '../api/deskQueries';
import touch from '../components/touch.module.css';
import { WordChoice } from '../components/WordChoice';
import { shortDate } from '../words/words';
import css from './Glance.module.css';

const SPANS = [
  { id: '120', words: 'four months' },
  { id: '365', words: 'a year' },
  { id: '1095', words: 'three years' },
];

/** Which causes are met most, what is given and never done, minutes asked and played. */
export function Glance() {
  const [days, setDays] = useState('120');
  const since = daysAgo(Number(days));
  const glance = useQuery(glanceQuery(since));
  if (glance.error && !glance.data) return <p role="alert">{glance.error.message}</p>;
  return (
    <section>
      <h2>The studio at a glance</h2>
      <p className="quiet">
        Counts of your own lessons, practice players left out. Nothing is told of fewer than five.
      </p>
      <WordChoice label="How far back" choices={SPANS} chosen={days} onChoose={setDays} />
      {glance.data && <Told glance={glance.data} />}
      <p className={css.take}>
        <a href={`/api/desk/glance.csv?since=${since}`}>As a table</a>
        <button type="button" className={touch.word} onClick={() => window.print()}>
          Print this page
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
        {shortDate(glance.since)} to {shortDate(glance.until)}: {glance.lessons} lessons of{' '}
        {glance.players} players. Of {glance.weeks} weeks that were given, something was told from
        home of {glance.told}: {Math.round(glance.played)} of {Math.round(glance.asked)} minutes
        were played.
      </p>
      <h3>Met most</h3>
      <Bars
        rows={causes.map((each) => ({
          id: each.cause,
          name: each.name,
          count: each.players,
          of: glance.players,
          words: `${each.players} of ${glance.players} players`,
        }))}
        none="No cause was the focus of five players or more."
      />
      <h3>Given, and how often it was done</h3>
      <Bars
        rows={given.map((each) => ({
          id: each.exercise,
          name: each.name,
          count: each.done,
          of: each.weeks,
          words: `done in ${each.done} of ${each.weeks} weeks`,
        }))}
        none="No exercise was given in five weeks or more that were told of."
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
