import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'wouter';

import { late } from '../components/late';
import { groupsQuery } from '../api/classQueries';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import css from './GroupsPage.module.css';
import * as say from '../messages/compiled/class';
import { beside } from '../words/lists';

const GroupDialog = late(async () => (await import('./GroupDialog')).GroupDialog);

const RosterDialog = late(async () => (await import('./RosterDialog')).RosterDialog);

/** The teacher's groups; each opens its sweep. */
export function GroupsPage() {
  const groups = useQuery(groupsQuery);
  const [making, setMaking] = useState(false);
  const [bringing, setBringing] = useState(false);
  if (groups.error && !groups.data)
    return <Problem error={groups.error} onRetry={() => void groups.refetch()} />;
  if (!groups.data) return null;
  return (
    <>
      <PageHead title={say.classWord()} isOld={groups.isError} />
      <div className={css.page}>
        <p>{say.lookAtOneToThree()}</p>
        <ul className={css.list}>
          {groups.data.map((group) => (
            <li key={group.id}>
              <Link href={`/class/${group.id}`}>{group.name}</Link>
              <span className="quiet">{beside(group.names) || say.nobodyYet()}</span>
            </li>
          ))}
        </ul>
        <div>
          <Button
            variant={groups.data.length === 0 ? 'filled' : 'default'}
            onClick={() => setMaking(true)}
          >
            {say.newGroup()}
          </Button>{' '}
          <Button variant="default" onClick={() => setBringing(true)}>
            {say.bringInAClass()}
          </Button>
        </div>
        {bringing && <RosterDialog onClose={() => setBringing(false)} />}
        {making && <GroupDialog opened onClose={() => setMaking(false)} group={null} />}
      </div>
    </>
  );
}
