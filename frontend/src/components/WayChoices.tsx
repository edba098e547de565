import '@mantine/core/styles/FloatingIndicator.css';
import '@mantine/core/styles/SegmentedControl.css';

import { Button, SegmentedControl } from '@mantine/core';

import type { Schemas } from '../api/client';
import css from './WayChoices.module.css';

interface Props {
  ways: Schemas['WayOut'][];
  onChoose: (key: string, value: string | null) => void;
  /** Words of the button that goes back to what holds otherwise. */
  backWords: string;
}

/** Points on which good teachers differ, each with its choices. */
export function WayChoices({ ways, onChoose, backWords }: Props) {
  return (
    <dl className={css.ways}>
      {ways.map((way) => (
        <div key={way.key}>
          <dt id={`way-${way.key}`}>{way.label}</dt>
          <dd>
            <SegmentedControl
              className={css.control ?? ''}
              aria-labelledby={`way-${way.key}`}
              value={way.chosen}
              onChange={(value) => onChoose(way.key, value)}
              data={way.values.map((v) => ({ value: v.id, label: v.words }))}
            />
            {way.is_own && (
              <Button variant="subtle" onClick={() => onChoose(way.key, null)}>
                {backWords}
              </Button>
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
}
