import '@mantine/core/styles/Switch.css';

import { NativeSelect, Switch } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';
import { sessionQuery } from '../api/queries';
import * as say from '../messages/compiled/desk';

interface Props {
  desk: Schemas['DeskOut'];
  onSaved: (desk: Schemas['DeskOut']) => void;
}

/** How this teacher works: by single keys or not, and where the day begins. */
export function Habits({ desk, onSaved }: Props) {
  const cache = useQueryClient();
  const keys = useMutation({
    mutationFn: async (on: boolean) =>
      unwrap(await client.POST('/api/desk/keys', { body: { on } })),
    onSuccess: (data) => {
      onSaved(data);
      return cache.invalidateQueries(sessionQuery);
    },
  });
  const zone = useMutation({
    mutationFn: async (name: string) =>
      unwrap(await client.POST('/api/desk/zone', { body: { time_zone: name } })),
    onSuccess: onSaved,
  });
  const problem = keys.error ?? zone.error;
  return (
    <section>
      <h2>{say.keysAndDays()}</h2>
      <Switch
        size="lg"
        label={say.singleKeysActInA()}
        description={say.offForWhoeverSpeaksTo()}
        checked={desk.letter_keys}
        onChange={(event) => keys.mutate(event.currentTarget.checked)}
      />
      <NativeSelect
        label={say.yourDayBeginsIn()}
        value={desk.time_zone}
        data={[
          { value: '', label: say.asThisComputer({ usualZone: desk.usual_zone }) },
          ...zones(desk.time_zone).map((name) => ({ value: name, label: name })),
        ]}
        onChange={(event) => zone.mutate(event.currentTarget.value)}
      />
      {problem && <p role="alert">{problem.message}</p>}
    </section>
  );
}

/** All that this browser knows, the chosen one among them. */
function zones(chosen: string): string[] {
  const known = Intl.supportedValuesOf('timeZone');
  return chosen && !known.includes(chosen) ? [chosen, ...known] : known;
}
