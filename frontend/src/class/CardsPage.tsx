import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'wouter';

import { catalogueQuery } from '../api/queries';
import { sweepQuery } from '../api/classQueries';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import { PlacePicture } from '../drawings/PlacePicture';
import css from './CardsPage.module.css';
import * as say from '../messages/compiled/class';
import { Rich } from '../messages/Rich';
import { listed } from '../words/lists';

/** Cards to cut out: who watches whom, for what, in a child's words. First names only. */
export function CardsPage() {
  const id = Number(useParams().groupId);
  const sweep = useQuery(sweepQuery(id));
  const catalogue = useQuery(catalogueQuery);
  if (sweep.error && !sweep.data)
    return <Problem error={sweep.error} onRetry={() => void sweep.refetch()} />;
  if (!sweep.data || !catalogue.data) return null;
  const evidence = catalogue.data.evidence;
  return (
    <>
      <PageHead
        title={say.partnerCards()}
        about={sweep.data.name}
        href={`/class/${id}`}
        isOld={sweep.isError}
      />
      <div className={css.page}>
        <div className={`${css.actions} no-print`}>
          <Button component={Link} href={`/class/${id}`} variant="default">
            {say.backToTheGroup()}
          </Button>
          <Button onClick={() => window.print()}>{say.print()}</Button>
        </div>
        <p className="quiet no-print">{say.anEasyHandSitsBeside()}</p>
        {sweep.data.resting.length > 0 && (
          <p className={css.resting} role="status">
            <Rich says={say.stoppedWithoutACardThey({ resting: listed(sweep.data.resting) })} />
          </p>
        )}
        <ul className={css.cards}>
          {sweep.data.pairs.map((pair) => (
            <li key={pair.watcher} className={css.card}>
              <h2>{pair.watcher}</h2>
              <p>
                <Rich says={say.youWatchTodaySay({ watched: pair.watched })} />
              </p>
              <ul>
                {pair.checks
                  .flatMap((check) => evidence.filter((item) => item.id === check))
                  .map((item) => (
                    <li key={item.id}>
                      <PlacePicture instrument={pair.instrument} place={item.place} size={80} />“
                      {item.child}”
                    </li>
                  ))}
              </ul>
              <p className={css.rule}>{say.lookAndListenHandsTo()}</p>
            </li>
          ))}
        </ul>
      </div>
    </>
  );
}
