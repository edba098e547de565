import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { client, unwrap } from '../api/client';
import { copiesQuery, deskQuery } from '../api/deskQueries';
import touch from '../components/touch.module.css';
import css from './Studio.module.css';

/** Copies of the whole studio that lie beside it; one more by a touch. */
export function Copies() {
  const copies = useQuery(copiesQuery);
  const cache = useQueryClient();
  const make = useMutation({
    mutationFn: async () => unwrap(await client.POST('/api/desk/copies')),
    onSuccess: (data) => {
      cache.setQueryData(copiesQuery.queryKey, data);
      return cache.invalidateQueries(deskQuery);
    },
  });
  const problem = make.error ?? copies.error;
  return (
    <section>
      <h2>Copies of the studio</h2>
      {copies.data?.is_due && (
        <p>
          <strong>The newest copy is older than a month, or there is none.</strong>
        </p>
      )}
      <p className="quiet">
        A copy holds every player of every teacher here, and stays on this computer: put one
        somewhere else from time to time, where only you can read it.
      </p>
      <button
        type="button"
        className={touch.button}
        disabled={make.isPending}
        onClick={() => make.mutate()}
      >
        {make.isPending ? 'Copying …' : 'Make a copy now'}
      </button>
      {problem && <p role="alert">{problem.message}</p>}
      {copies.data && (
        <>
          <ul className={css.rows}>
            {copies.data.copies.map((copy) => (
              <li key={copy.made}>
                <strong>{new Date(copy.made).toLocaleString('en-GB', WHEN)}</strong>
                <span>{copy.is_made_here ? 'made here' : 'before an update or a restore'}</span>
                <span>{copy.megabytes} MB</span>
              </li>
            ))}
          </ul>
          <p className="quiet">
            They lie in <code>{copies.data.folder}</code>. To go back to one, stop the studio and
            run <code>./jolf restore</code> with its file; what is there now is put aside first.
          </p>
        </>
      )}
    </section>
  );
}

const WHEN = { dateStyle: 'medium', timeStyle: 'short' } as const;
