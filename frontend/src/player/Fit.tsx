import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { late } from '../components/late';
import { client, type Schemas, unwrap } from '../api/client';
import { catalogueQuery, reachQuery, setupsQuery } from '../api/queries';
import { SureButton } from '../components/SureButton';
import { reachWords } from '../words/reach';
import { GRADE_WORDS, shortDate } from '../words/words';
import css from './PlayerPage.module.css';

const FitDialog = late(async () => (await import('../components/FitDialog')).FitDialog);

const JUDGED: Record<string, string> = {
  helped: 'it helped',
  same: 'no difference',
  worse: 'it was worse',
};

/** How the instrument was fitted, newest first, with what was seen before and since. */
export function Fit({ playerId, isHeldUp }: { playerId: number; isHeldUp: boolean }) {
  const setups = useQuery(setupsQuery(playerId));
  const catalogue = useQuery(catalogueQuery);
  const reach = useQuery(reachQuery(playerId)).data;
  const [writing, setWriting] = useState(false);
  const cache = useQueryClient();
  const remove = useMutation({
    mutationFn: async (id: number) =>
      unwrap(
        await client.DELETE('/api/players/{player_id}/setups/{setup_id}', {
          params: { path: { player_id: playerId, setup_id: id } },
        }),
      ),
    onSuccess: async (left) => {
      cache.setQueryData(setupsQuery(playerId).queryKey, left);
      await cache.invalidateQueries(reachQuery(playerId));
    },
  });
  const label = (id: string) => catalogue.data?.evidence.find((e) => e.id === id)?.label ?? id;
  return (
    <>
      <Button variant="default" onClick={() => setWriting(true)}>
        Write down the fit
      </Button>
      {reach?.span && reach.measured_on && (
        <p>
          Span measured on {shortDate(reach.measured_on)}: about {reach.span} mm.{' '}
          {reachWords(reach)}
        </p>
      )}
      {setups.data?.some((setup) => setup.size || setup.string_length) && (
        <p>
          <a href={`/api/players/${playerId}/ruler.pdf`} target="_blank" rel="noreferrer">
            Paper ruler and tapes, at true size (PDF)
          </a>
        </p>
      )}
      <ul className={css.fits}>
        {setups.data?.map((setup) => (
          <li key={setup.id}>
            <strong>{shortDate(setup.date)}</strong>
            {setup.change && <> changed: {setup.change}</>}
            {setup.judged && <> ({JUDGED[setup.judged]})</>}
            <div className="quiet">{factsOf(setup).join(' · ')}</div>
            {Object.keys({ ...setup.before, ...setup.since }).map((id) => (
              <div key={id}>
                {label(id)}: {gradeWords(setup.before[id])} before, {gradeWords(setup.since[id])}{' '}
                since
              </div>
            ))}
            <SureButton
              sure="Yes, remove"
              of={`the fit of ${shortDate(setup.date)}`}
              onSure={() => remove.mutate(setup.id)}
            >
              Remove
            </SureButton>
          </li>
        ))}
      </ul>
      {writing && (
        <FitDialog
          playerId={playerId}
          isHeldUp={isHeldUp}
          last={setups.data?.[0] ?? null}
          onClose={() => setWriting(false)}
        />
      )}
    </>
  );
}

function gradeWords(grade: number | undefined): string {
  return grade === undefined ? 'not looked at' : (GRADE_WORDS[grade] ?? '');
}

function factsOf(setup: Schemas['SetupOut']): string[] {
  return [
    setup.size,
    setup.string_length ? `string ${setup.string_length} mm` : '',
    setup.pad,
    setup.side,
    setup.endpin ? `endpin ${setup.endpin}` : '',
    setup.seat ? `seat ${setup.seat}` : '',
    setup.tapes?.length ? `tapes at ${setup.tapes.join(', ')} mm` : '',
    setup.weight ? `${setup.weight} g` : '',
  ].filter((words): words is string => Boolean(words));
}
