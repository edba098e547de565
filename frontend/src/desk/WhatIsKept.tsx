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
import * as say from '../messages/compiled/desk';

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
      <h2>{say.picturesAndSoundsThatAre()}</h2>
      <p className="quiet">{say.picturesAndSoundsOfPlayers()}</p>
      {kept && (
        <>
          <NativeSelect
            label={say.keptAfterTheLastLesson()}
            value={String(kept.months)}
            data={[...new Set([...MONTHS, kept.months])].sort(byNumber).map((months) => ({
              value: String(months),
              label: months === 1 ? say.oneMonth() : say.months({ months }),
            }))}
            onChange={(event) => choose.mutate(Number(event.currentTarget.value))}
          />
          {kept.rows.length === 0 ? <p>{say.nothingIsKeptNow()}</p> : <Rows rows={kept.rows} />}
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
            <th scope="col">{say.player()}</th>
            <th scope="col">{say.pictures()}</th>
            <th scope="col">{say.sounds()}</th>
            <th scope="col">{say.size()}</th>
            <th scope="col">{say.keptUntil()}</th>
            <th scope="col">{say.leave()}</th>
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
  const pictures = row.pictures > 0 && !row.leaves.includes('picture');
  const sounds = row.sounds > 0 && !row.leaves.includes('sound');
  if (pictures && sounds) return say.notNotedForBoth();
  if (pictures) return say.notNotedForPictures();
  return sounds ? say.notNotedForSounds() : say.noted();
}
