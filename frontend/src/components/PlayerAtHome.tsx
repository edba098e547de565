import { Checkbox, NumberInput, SegmentedControl } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';

import { type Schemas } from '../api/client';
import { catalogueQuery } from '../api/queries';
import css from './PlayerDialog.module.css';
import * as say from '../messages/compiled/components';

export type Facts = Schemas['PlayerIn'];

const HELP = [
  { value: 'yes', label: say.yes() },
  { value: 'no', label: say.no() },
  { value: 'unknown', label: say.notKnown() },
];

/** Who and what there is at home. */
export function AtHome({
  facts,
  onChange,
}: {
  facts: Facts;
  onChange: (change: Partial<Facts>) => void;
}) {
  const catalogue = useQuery(catalogueQuery);
  const things = Object.entries(catalogue.data?.things ?? {});
  return (
    <>
      <div>
        <span id="helper-label">{say.somebodyHelpsAtHome()}</span>
        <SegmentedControl
          fullWidth
          size="md"
          aria-labelledby="helper-label"
          data={HELP}
          value={facts.helper_at_home == null ? 'unknown' : facts.helper_at_home ? 'yes' : 'no'}
          onChange={(value) =>
            onChange({ helper_at_home: value === 'unknown' ? null : value === 'yes' })
          }
        />
      </div>
      <Checkbox
        size="md"
        label={say.beforeAndAfterPracticeThe()}
        checked={facts.self_check ?? false}
        onChange={(event) => onChange({ self_check: event.currentTarget.checked })}
      />
      <Checkbox
        size="md"
        label={say.aPracticePlayerMadeFor()}
        checked={facts.is_practice ?? false}
        onChange={(event) => onChange({ is_practice: event.currentTarget.checked })}
      />
      <Checkbox.Group
        label={say.notAtHome()}
        value={facts.missing ?? []}
        onChange={(missing) => onChange({ missing })}
      >
        <div className={css.missing}>
          {things.map(([id, words]) => (
            <Checkbox key={id} value={id} label={words} size="md" />
          ))}
        </div>
      </Checkbox.Group>
    </>
  );
}

export function Optional({
  value,
  onChange,
  ...rest
}: {
  label: string;
  description?: string;
  error: string | undefined;
  value: number | null;
  onChange: (value: number | null) => void;
}) {
  return (
    <NumberInput
      {...rest}
      value={value ?? ''}
      hideControls
      onChange={(entered) => onChange(typeof entered === 'number' ? entered : null)}
    />
  );
}
