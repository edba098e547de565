import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'wouter';

import { catalogueQuery } from '../api/queries';
import { sweepQuery } from '../api/classQueries';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import { PlacePicture } from '../drawings/PlacePicture';
import css from './CardsPage.module.css';

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
        title="Partner cards"
        about={sweep.data.name}
        href={`/class/${id}`}
        isOld={sweep.isError}
      />
      <div className={css.page}>
        <div className={`${css.actions} no-print`}>
          <Button component={Link} href={`/class/${id}`} variant="default">
            Back to the group
          </Button>
          <Button onClick={() => window.print()}>Print</Button>
        </div>
        <p className="quiet no-print">
          An easy hand sits beside one that still looks for the way. Both watch and both are
          watched.
        </p>
        {sweep.data.resting.length > 0 && (
          <p className={css.resting} role="status">
            <strong>Stopped, without a card:</strong> {sweep.data.resting.join(', ')}. They listen
            today and do not play.
          </p>
        )}
        <ul className={css.cards}>
          {sweep.data.pairs.map((pair) => (
            <li key={pair.watcher} className={css.card}>
              <h2>{pair.watcher}</h2>
              <p>
                You watch <strong>{pair.watched}</strong> today. Say:
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
              <p className={css.rule}>
                Look and listen, hands to yourself. First say what went well, then what you saw.
              </p>
            </li>
          ))}
        </ul>
      </div>
    </>
  );
}
