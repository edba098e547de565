import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode } from 'react';
import { useSearchParams } from 'wouter';

import { client, type Schemas, unwrap } from '../api/client';
import { deskQuery } from '../api/deskQueries';
import { late } from '../components/late';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import { StringChoice } from '../components/StringChoice';
import { usePointerLeavesNoFocus } from '../components/usePointerLeavesNoFocus';
import { WayChoices } from '../components/WayChoices';
import css from './DeskPage.module.css';
import { Habits } from './Habits';
import { HandTone } from './HandTone';
import { Helped } from './Helped';
import { Learning } from './Learning';
import { Numbers, type PartProps } from './Numbers';
import { WhatIsKept } from './WhatIsKept';

const Copies = late(async () => (await import('./Copies')).Copies);

const Glance = late(async () => (await import('./Glance')).Glance);

const Holidays = late(async () => (await import('./Holidays')).Holidays);

const People = late(async () => (await import('./People')).People);

const ChangePassword = late(async () => (await import('./ChangePassword')).ChangePassword);

const PARTS: { id: string; name: string; part: (props: PartProps) => ReactNode }[] = [
  { id: 'way', name: 'Your way of teaching', part: Ways },
  {
    id: 'shown',
    name: 'What your own lessons have shown',
    part: ({ desk, onSaved }) => <Learning learning={desk.learning} onSaved={onSaved} />,
  },
  { id: 'change', name: 'What went before a change', part: () => <Helped /> },
  { id: 'glance', name: 'The studio at a glance', part: () => <Glance /> },
  { id: 'numbers', name: 'From numbers to grades', part: Numbers },
  {
    id: 'hands',
    name: 'How hands are drawn',
    part: ({ desk, onSaved }) => <HandTone tone={desk.hand_tone} onSaved={onSaved} />,
  },
  {
    id: 'keys',
    name: 'Keys, days, holidays',
    part: (props) => (
      <>
        <Habits {...props} />
        <Holidays />
      </>
    ),
  },
  { id: 'kept', name: 'Pictures and sounds', part: () => <WhatIsKept /> },
  { id: 'table', name: 'All records as a table', part: Table },
  { id: 'password', name: 'Your password', part: Password },
];

// Of the studio as a whole, for its first teacher.
const OWNERS: typeof PARTS = [
  { id: 'copies', name: 'Copies of the studio', part: () => <Copies /> },
  { id: 'people', name: 'Who teaches here', part: () => <People /> },
];

/** What a teacher sets once: each part a stop on one string, one of them open. */
export function DeskPage() {
  usePointerLeavesNoFocus();
  const desk = useQuery(deskQuery);
  const [params, setParams] = useSearchParams();
  const cache = useQueryClient();
  const keep = (data: Schemas['DeskOut']) => cache.setQueryData(deskQuery.queryKey, data);
  const parts = partsOf(desk.data);
  const now = parts.find((each) => each.id === params.get('part')) ?? PARTS[0];
  if (desk.error && !desk.data)
    return <Problem error={desk.error} onRetry={() => void desk.refetch()} />;
  return (
    <>
      <PageHead title="Your desk" isOld={desk.isError} />
      {desk.data && now && (
        <div className={css.page}>
          <div className={css.parts}>
            <StringChoice
              label="Parts of the desk"
              choices={parts}
              chosen={now.id}
              onChoose={(part) => setParams({ part }, { replace: true })}
            />
          </div>
          <div className={css.open} key={now.id}>
            <now.part desk={desk.data} onSaved={keep} />
          </div>
        </div>
      )}
    </>
  );
}

function partsOf(desk: Schemas['DeskOut'] | undefined): typeof PARTS {
  if (!desk?.is_owner) return PARTS;
  const due = desk.copy_is_due ? 'Copies of the studio: due' : '';
  return [
    ...PARTS,
    ...OWNERS.map((each) => (each.id === 'copies' && due ? { ...each, name: due } : each)),
  ];
}

function Ways({ desk, onSaved }: PartProps) {
  const way = useMutation({
    mutationFn: async (body: Schemas['WayIn']) =>
      unwrap(await client.POST('/api/desk/way', { body })),
    onSuccess: onSaved,
  });
  return (
    <section>
      <h2>Your way of teaching</h2>
      <p className="quiet">
        None of these is right or wrong. A finding that your way accepts counts as not checked, and
        the lesson says so. Each player can have another choice, on the player&rsquo;s page.
      </p>
      <WayChoices
        ways={desk.ways}
        onChoose={(key, value) => way.mutate({ key, value })}
        backWords="back to the usual"
      />
    </section>
  );
}

function Table() {
  return (
    <section>
      <h2>All records as a table</h2>
      <p>
        <a href="/api/players/table.csv">A table for a spreadsheet</a>, a row for each thing that
        was written down.
      </p>
    </section>
  );
}

function Password() {
  return (
    <section>
      <h2>Your password</h2>
      <ChangePassword />
    </section>
  );
}
