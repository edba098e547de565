import { NativeSelect } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'wouter';

import { client, type Schemas, unwrap } from '../api/client';
import { allKeptQuery } from '../api/deskQueries';
import { Copies } from '../components/Copies';
import { Scroll } from '../components/Scroll';
import { shortDate } from '../words/words';
import { megabytes } from '../words/size';
import css from './WhatIsKept.module.css';

const MONTHS = [1, 3, 6, 12, 24];

/** All pictures and sounds of players in this studio: of whom, how large, until when. */
export function WhatIsKept() {
  const kept = useQuery(allKeptQuery).data;
  const cache = useQueryClient();
  const choose = useMutation({
    mutationFn: async (months: number) =>
      unwrap(await client.POST('/api/desk/kept', { body: { months } })),
    onSuccess: (data) => cache.setQueryData(allKeptQuery.queryKey, data),
  });
  return (
    <section>
      <h2>Pictures and sounds that are kept</h2>
      <p className="quiet">
        Pictures and sounds of players stay on this computer and are seen by you alone. They are
        erased some time after the last lesson; your list of the day says so two weeks before. What
        your local rules say about them goes first.
      </p>
      {kept && (
        <>
          <NativeSelect
            label="Kept after the last lesson for"
            value={String(kept.months)}
            data={[...new Set([...MONTHS, kept.months])].sort(byNumber).map((months) => ({
              value: String(months),
              label: months === 1 ? 'one month' : `${months} months`,
            }))}
            onChange={(event) => choose.mutate(Number(event.currentTarget.value))}
          />
          {kept.rows.length === 0 ? <p>Nothing is kept now.</p> : <Rows rows={kept.rows} />}
          <Copies days={kept.copies} />
        </>
      )}
      {choose.error && <p role="alert">{choose.error.message}</p>}
    </section>
  );
}

function byNumber(one: number, other: number): number {
  return one - other;
}

function Rows({ rows }: { rows: Schemas['KeptRowOut'][] }) {
  return (
    <Scroll>
      <table className={css.kept}>
        <thead>
          <tr>
            <th scope="col">Player</th>
            <th scope="col">Pictures</th>
            <th scope="col">Sounds</th>
            <th scope="col">Size</th>
            <th scope="col">Kept until</th>
            <th scope="col">Leave</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.player}>
              <th scope="row">
                <Link href={`/players/${row.player}`}>{row.name}</Link>
              </th>
              <td>{row.pictures}</td>
              <td>{row.sounds}</td>
              <td>{megabytes(row.size)}</td>
              <td>{shortDate(row.until)}</td>
              <td>{leaveOf(row)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scroll>
  );
}

function leaveOf(row: Schemas['KeptRowOut']): string {
  const needed = [
    ...(row.pictures > 0 ? ['picture'] : []),
    ...(row.sounds > 0 ? ['sound'] : []),
  ].filter((kind) => !row.leaves.includes(kind));
  return needed.length === 0 ? 'noted' : `not noted for ${needed.join('s and ')}s`;
}
