import { Button, TextInput } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, type Schemas, unwrap } from '../api/client';
import css from './DeskPage.module.css';
import * as say from '../messages/compiled/desk';
import { beside } from '../words/lists';

const GRADE_EDGES = [say.slightFrom(), say.clearFrom(), say.strongFrom()];

export interface PartProps {
  desk: Schemas['DeskOut'];
  onSaved: (data: Schemas['DeskOut']) => void;
}

export function Numbers({ desk, onSaved }: PartProps) {
  return (
    <section>
      <h2>{say.fromNumbersToGrades()}</h2>
      <p className="quiet">{say.workingJudgementNotScienceChange()}</p>
      {desk.measures.map((measure) => (
        <MeasureRow key={measure.measure} measure={measure} onSaved={onSaved} />
      ))}
    </section>
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
        {dirty && <Button onClick={() => save.mutate(cuts)}>{say.keep()}</Button>}
        {measure.is_own && !dirty && (
          <Button variant="subtle" onClick={() => save.mutate(null)}>
            {say.backTo({ starting: beside(measure.starting) })}
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
