import { type SyntheticEvent, useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';
import { peopleQuery } from '../api/deskQueries';
import field from '../components/field.module.css';
import { SureButton } from '../components/SureButton';
import touch from '../components/touch.module.css';
import css from './Studio.module.css';
import * as say from '../messages/compiled/desk';
import { Rich } from '../messages/Rich';

/** Who teaches here: added, given a new password or removed by the studio's first teacher. */
export function People() {
  const people = useQuery(peopleQuery);
  const { add, renew, remove, told, problem } = usePeople();
  return (
    <section>
      <h2>{say.whoTeachesHere()}</h2>
      <p className="quiet">{say.eachTeacherSeesOnlyTheir()}</p>
      {told && (
        <p role="status" className={css.told}>
          <Rich says={say.signsInWithItIs({ name: told.name, password: told.password })} />
        </p>
      )}
      <ul className={css.rows}>
        {people.data?.people.map((one) => (
          <li key={one.id}>
            <strong>{one.name}</strong>
            <span>{one.is_owner ? say.theStudioIsYours() : playersWords(one.players)}</span>
            {!one.is_owner && (
              <>
                <SureButton sure={say.yesANewOne()} of={one.name} onSure={() => renew.mutate(one)}>
                  {say.newPassword()}
                </SureButton>
                {one.players === 0 && (
                  <SureButton
                    sure={say.yesRemove()}
                    of={one.name}
                    onSure={() => remove.mutate(one)}
                  >
                    {say.remove()}
                  </SureButton>
                )}
              </>
            )}
          </li>
        ))}
      </ul>
      <Add onAdd={(name, done) => add.mutate(name, { onSuccess: done })} />
      {problem && <p role="alert">{problem}</p>}
    </section>
  );
}

type Colleague = Schemas['ColleagueOut'];

function usePeople() {
  const cache = useQueryClient();
  const [told, setTold] = useState<{ name: string; password: string } | null>(null);
  const keep = (data: Schemas['PeopleOut'], name: string) => {
    // A password is never kept with what pages remember.
    cache.setQueryData(peopleQuery.queryKey, { ...data, password: '' });
    setTold(data.password ? { name, password: data.password } : null);
  };
  const path = (one: Colleague) => ({ params: { path: { teacher_id: one.id } } });
  const add = useMutation({
    mutationFn: async (name: string) =>
      unwrap(await client.POST('/api/desk/people', { body: { name } })),
    onSuccess: (data, name) => keep(data, name),
  });
  const renew = useMutation({
    mutationFn: async (one: Colleague) =>
      unwrap(await client.POST('/api/desk/people/{teacher_id}/password', path(one))),
    onSuccess: (data, one) => keep(data, one.name),
  });
  const remove = useMutation({
    mutationFn: async (one: Colleague) =>
      unwrap(await client.DELETE('/api/desk/people/{teacher_id}', path(one))),
    onSuccess: (data) => keep(data, ''),
  });
  const problem = (add.error ?? renew.error ?? remove.error)?.message;
  return { add, renew, remove, told, problem };
}

function playersWords(count: number): string {
  return count === 1 ? '1 player' : say.playersOfCount({ count });
}

function Add({ onAdd }: { onAdd: (name: string, done: () => void) => void }) {
  const [name, setName] = useState('');
  function submit(event: SyntheticEvent) {
    event.preventDefault();
    if (name.trim()) onAdd(name.trim(), () => setName(''));
  }
  return (
    <form className={css.add} onSubmit={submit}>
      <input
        aria-label={say.nameOfANewTeacher()}
        placeholder={say.nameOfANewTeacher()}
        className={field.field}
        maxLength={150}
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <button type="submit" className={touch.button} disabled={!name.trim()}>
        {say.add()}
      </button>
    </form>
  );
}
