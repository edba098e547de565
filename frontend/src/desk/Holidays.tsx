import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type SyntheticEvent, useState } from 'react';

import { client, problemWords, type Schemas, unwrap } from '../api/client';
import { holidaysQuery } from '../api/deskQueries';
import { todayQuery } from '../api/queries';
import field from '../components/field.module.css';
import { SureButton } from '../components/SureButton';
import touch from '../components/touch.module.css';
import { longDay } from '../words/words';
import css from './Studio.module.css';
import * as say from '../messages/compiled/desk';

/** Days without weekly lessons, by their first and last. */
export function Holidays() {
  const holidays = useQuery(holidaysQuery);
  const cache = useQueryClient();
  const keep = (data: Schemas['HolidayOut'][]) => {
    cache.setQueryData(holidaysQuery.queryKey, data);
    return cache.invalidateQueries(todayQuery);
  };
  const add = useMutation({
    mutationFn: async (body: Schemas['HolidayIn']) =>
      unwrap(await client.POST('/api/desk/holidays', { body })),
    onSuccess: keep,
  });
  const remove = useMutation({
    mutationFn: async (id: number) =>
      unwrap(
        await client.DELETE('/api/desk/holidays/{holiday_id}', {
          params: { path: { holiday_id: id } },
        }),
      ),
    onSuccess: keep,
  });
  const problem = add.error ?? remove.error ?? holidays.error;
  return (
    <section>
      <h2>{say.holidays()}</h2>
      <p className="quiet">{say.onTheseDaysNobodyStands()}</p>
      <NewHoliday isBusy={add.isPending} onAdd={add.mutate} />
      {problem && <p role="alert">{problemWords(problem)}</p>}
      <ul className={css.rows}>
        {holidays.data?.map((each) => (
          <li key={each.id}>
            <strong>{spanWords(each)}</strong>
            <SureButton
              sure={say.yesRemove()}
              of={spanWords(each)}
              onSure={() => remove.mutate(each.id)}
            >
              {say.remove()}
            </SureButton>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface NewProps {
  isBusy: boolean;
  onAdd: (holiday: Schemas['HolidayIn'], then: { onSuccess: () => void }) => void;
}

/** What was typed stays until it is kept. */
function NewHoliday({ isBusy, onAdd }: NewProps) {
  const [first, setFirst] = useState('');
  const [last, setLast] = useState('');
  function submit(event: SyntheticEvent) {
    event.preventDefault();
    const empty = () => {
      setFirst('');
      setLast('');
    };
    onAdd({ first, last }, { onSuccess: empty });
  }
  return (
    <form className={css.add} onSubmit={submit}>
      <Day words={say.firstDay()} value={first} onChange={setFirst} />
      <Day words={say.lastDay()} least={first} value={last} onChange={setLast} />
      <button
        type="submit"
        className={touch.button}
        disabled={isBusy || first === '' || last === ''}
      >
        {say.keepIt()}
      </button>
    </form>
  );
}

interface DayProps {
  words: string;
  least?: string;
  value: string;
  onChange: (day: string) => void;
}

function Day({ words, least, value, onChange }: DayProps) {
  return (
    <label>
      {words}{' '}
      <input
        type="date"
        className={field.field}
        min={least}
        value={value}
        onChange={(event) => onChange(event.currentTarget.value)}
      />
    </label>
  );
}

function spanWords({ first, last }: Schemas['HolidayIn']): string {
  const words = longDay(new Date(`${first}T12:00:00`));
  return first === last
    ? words
    : say.toOfWords({ words, longDay: longDay(new Date(`${last}T12:00:00`)) });
}
