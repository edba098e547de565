import { Button, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import { deskQuery } from '../api/queries';
import { late } from '../components/late';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import { WayChoices } from '../components/WayChoices';
import css from './DeskPage.module.css';
import { Habits } from './Habits';
import { HandTone } from './HandTone';
import { Helped } from './Helped';
import { Learning } from './Learning';

const GRADE_EDGES = ['slight from', 'clear from', 'strong from'];

const ChangePassword = late(async () => (await import('./ChangePassword')).ChangePassword);

/** What a teacher sets once: the way of teaching, and where measured numbers turn into grades. */
export function DeskPage() {
  const desk = useQuery(deskQuery);
  const [isChanging, setIsChanging] = useState(false);
  const cache = useQueryClient();
  const keep = (data: Schemas['DeskOut']) => cache.setQueryData(deskQuery.queryKey, data);
  const way = useMutation({
    mutationFn: async (body: Schemas['WayIn']) =>
      unwrap(await client.POST('/api/desk/way', { body })),
    onSuccess: keep,
  });
  if (desk.error) return <Problem error={desk.error} onRetry={() => void desk.refetch()} />;
  if (!desk.data) return null;
  return (
    <>
      <PageHead title="Your desk" />
      <div className={css.page}>
        <section>
          <h2>Your way of teaching</h2>
          <p className="quiet">
            None of these is right or wrong. A finding that your way accepts counts as not checked,
            and the lesson says so. Each player can have another choice, on the player&rsquo;s page.
          </p>
          <WayChoices
            ways={desk.data.ways}
            onChoose={(key, value) => way.mutate({ key, value })}
            backWords="back to the usual"
          />
        </section>
        <Learning learning={desk.data.learning} onSaved={keep} />
        <Helped />
        <section>
          <h2>From numbers to grades</h2>
          <p className="quiet">
            Working judgement, not science: change it to yours. The nine-point looseness test has
            published cut-offs and stays as it is.
          </p>
          {desk.data.measures.map((measure) => (
            <MeasureRow key={measure.measure} measure={measure} onSaved={keep} />
          ))}
        </section>
        <HandTone tone={desk.data.hand_tone} onSaved={keep} />
        <Habits desk={desk.data} onSaved={keep} />
        <section>
          <h2>All records as a table</h2>
          <p>
            <a href="/api/players/table.csv">A table for a spreadsheet</a>, a row for each thing
            that was written down.
          </p>
        </section>
        <section>
          <h2>Your password</h2>
          {isChanging ? (
            <ChangePassword />
          ) : (
            <Button variant="default" onClick={() => setIsChanging(true)}>
              Choose another one
            </Button>
          )}
        </section>
      </div>
    </>
  );
}

function MeasureRow({
  measure,
  onSaved,
}: {
  measure: Schemas['MeasureOut'];
  onSaved: (data: Schemas['DeskOut']) => void;
}) {
  const [cuts, setCuts] = useState<number[]>(measure.cuts);
  const save = useMutation({
    mutationFn: async (wanted: number[] | null) =>
      unwrap(
        await client.POST('/api/desk/cuts', { body: { measure: measure.measure, cuts: wanted } }),
      ),
    onSuccess: (data) => {
      onSaved(data);
      const now = data.measures.find((m) => m.measure === measure.measure);
      if (now) setCuts(now.cuts);
    },
  });
  const dirty = cuts.join() !== measure.cuts.join();
  const problem =
    save.error instanceof ApiError ? save.error.fields[0]?.problem : save.error?.message;
  return (
    <div className={css.measure}>
      <span>
        {measure.words} <span className="quiet">({measure.unit})</span>
      </span>
      <div className={css.cuts}>
        {GRADE_EDGES.map((edge, index) => (
          <TextInput
            type="number"
            step="any"
            key={edge}
            label={edge}
            aria-label={`${measure.words}: ${edge}`}
            value={cuts[index] ?? 0}
            onChange={({ currentTarget: { valueAsNumber } }) =>
              setCuts(
                cuts.map((c, i) =>
                  i === index && !Number.isNaN(valueAsNumber) ? valueAsNumber : c,
                ),
              )
            }
            size="sm"
          />
        ))}
      </div>
      <div className={css.actions}>
        {dirty && <Button onClick={() => save.mutate(cuts)}>Keep</Button>}
        {measure.is_own && !dirty && (
          <Button variant="subtle" onClick={() => save.mutate(null)}>
            back to {measure.starting.join(', ')}
          </Button>
        )}
      </div>
      {problem && (
        <p role="alert" className={css.problem}>
          {problem}
        </p>
      )}
    </div>
  );
}
