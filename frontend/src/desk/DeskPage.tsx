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
import { Numbers, type PartProps } from './Numbers';
import * as say from '../messages/compiled/desk';
import { Rich } from '../messages/Rich';

const WhatIsKept = late(async () => (await import('./WhatIsKept')).WhatIsKept);

const Learning = late(async () => (await import('./Learning')).Learning);

const Helped = late(async () => (await import('./Helped')).Helped);

const Copies = late(async () => (await import('./Copies')).Copies);

const Glance = late(async () => (await import('./Glance')).Glance);

const Holidays = late(async () => (await import('./Holidays')).Holidays);

const People = late(async () => (await import('./People')).People);

const ChangePassword = late(async () => (await import('./ChangePassword')).ChangePassword);

const PARTS: { id: string; name: string; part: (props: PartProps) => ReactNode }[] = [
  { id: 'way', name: say.yourWayOfTeaching(), part: Ways },
  {
    id: 'shown',
    name: say.whatYourOwnLessonsHave(),
    part: ({ desk, onSaved }) => <Learning learning={desk.learning} onSaved={onSaved} />,
  },
  { id: 'change', name: say.whatWentBeforeAChange(), part: () => <Helped /> },
  { id: 'glance', name: say.theStudioAtAGlance(), part: () => <Glance /> },
  { id: 'numbers', name: say.fromNumbersToGrades(), part: Numbers },
  {
    id: 'hands',
    name: say.howHandsAreDrawn(),
    part: ({ desk, onSaved }) => <HandTone tone={desk.hand_tone} onSaved={onSaved} />,
  },
  {
    id: 'keys',
    name: say.keysDaysHolidays(),
    part: (props) => (
      <>
        <Habits {...props} />
        <Holidays />
      </>
    ),
  },
  { id: 'kept', name: say.picturesAndSounds(), part: () => <WhatIsKept /> },
  { id: 'table', name: say.allRecordsAsATable(), part: Table },
  { id: 'password', name: say.yourPassword(), part: Password },
];

// Of the studio as a whole, for its first teacher.
const OWNERS: typeof PARTS = [
  { id: 'copies', name: say.copiesOfTheStudio(), part: () => <Copies /> },
  { id: 'people', name: say.whoTeachesHere(), part: () => <People /> },
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
      <PageHead title={say.yourDesk()} isOld={desk.isError} />
      {desk.data && now && (
        <div className={css.page}>
          <div className={css.parts}>
            <StringChoice
              label={say.partsOfTheDesk()}
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
  const due = desk.copy_is_due ? say.copiesOfTheStudioDue() : '';
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
      <h2>{say.yourWayOfTeaching()}</h2>
      <p className="quiet">{say.noneOfTheseIsRight()}</p>
      <WayChoices
        ways={desk.ways}
        onChoose={(key, value) => way.mutate({ key, value })}
        backWords={say.backToTheUsual()}
      />
    </section>
  );
}

function Table() {
  return (
    <section>
      <h2>{say.allRecordsAsATable()}</h2>
      <p>
        <Rich
          says={say.aTableForASpreadsheet()}
          as={{ link: (words) => <a href="/api/players/table.csv">{words}</a> }}
        />
      </p>
    </section>
  );
}

function Password() {
  return (
    <section>
      <h2>{say.yourPassword()}</h2>
      <ChangePassword />
    </section>
  );
}
