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
import * as say from '../messages/compiled/player';
import { beside } from '../words/lists';

const FitDialog = late(async () => (await import('../components/FitDialog')).FitDialog);

const JUDGED: Record<string, string> = {
  helped: say.itHelped(),
  same: say.noDifference(),
  worse: say.itWasWorse(),
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
        {say.writeDownTheFit()}
      </Button>
      {reach?.span && reach.measured_on && (
        <p>
          {say.spanMeasuredOnAboutMm({
            measuredOn: shortDate(reach.measured_on),
            span: reach.span,
            reach: reachWords(reach),
          })}
        </p>
      )}
      {setups.data?.some((setup) => setup.size || setup.string_length) && (
        <p>
          <a href={`/api/players/${playerId}/ruler.pdf`} target="_blank" rel="noreferrer">
            {say.paperRulerAndTapesAt()}
          </a>
        </p>
      )}
      <ul className={css.fits}>
        {setups.data?.map((setup) => (
          <li key={setup.id}>
            <strong>{shortDate(setup.date)}</strong>
            {setup.change && <> {say.changed({ change: setup.change })}</>}
            {setup.judged && <> ({JUDGED[setup.judged]})</>}
            <div className="quiet">{factsOf(setup).join(' · ')}</div>
            {setup.tapes_beside.map((words) => (
              <div key={words}>{words}</div>
            ))}
            {Object.keys({ ...setup.before, ...setup.since }).map((id) => (
              <div key={id}>
                {say.beforeSince({
                  name: label(id),
                  before: gradeWords(setup.before[id]),
                  since: gradeWords(setup.since[id]),
                })}
              </div>
            ))}
            <SureButton
              sure={say.yesRemove()}
              of={say.theFitOf({ date: shortDate(setup.date) })}
              onSure={() => remove.mutate(setup.id)}
            >
              {say.remove()}
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
  return grade === undefined ? say.notLookedAt() : (GRADE_WORDS[grade] ?? '');
}

function factsOf(setup: Schemas['SetupOut']): string[] {
  return [
    setup.size,
    setup.string_length ? say.stringMm({ stringLength: setup.string_length }) : '',
    setup.pad,
    setup.side,
    setup.endpin ? say.endpin({ endpin: setup.endpin }) : '',
    setup.seat ? say.seat({ seat: setup.seat }) : '',
    setup.tapes?.length ? say.tapesAtMm({ tapes: beside(setup.tapes) }) : '',
    setup.weight ? `${setup.weight} g` : '',
  ].filter((words): words is string => Boolean(words));
}
