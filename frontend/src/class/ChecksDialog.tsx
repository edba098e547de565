import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import type { Catalogue, Evidence } from '../api/client';
import { checkChoiceQuery } from '../api/classQueries';
import { Dialog } from '../components/Dialog';
import { STAGE_WORDS } from '../words/words';
import { SearchSelect } from '../components/SearchSelect';
import css from './ChecksDialog.module.css';
import * as say from '../messages/compiled/class';

const MOST = 3;

interface Props {
  opened: boolean;
  onClose: () => void;
  groupId: number;
  chosen: string[];
  catalogue: Catalogue;
  onChoose: (checks: string[]) => void;
}

/** One to three checks: those that would tell most about this group first, then all others. */
export function ChecksDialog({ opened, onClose, ...rest }: Props) {
  return (
    <Dialog opened={opened} onClose={onClose} title={say.whatToLookAt()} wide>
      <ChecksForm onClose={onClose} {...rest} />
    </Dialog>
  );
}

function ChecksForm({ onClose, groupId, chosen, catalogue, onChoose }: Omit<Props, 'opened'>) {
  const [checks, setChecks] = useState(chosen);
  const choice = useQuery(checkChoiceQuery(groupId));
  const known = (ids: string[]) =>
    ids.flatMap((id) => catalogue.evidence.filter((item) => item.id === id));
  const possible = known(choice.data?.possible ?? []);
  const shown = known([...new Set([...chosen, ...checks, ...(choice.data?.proposed ?? [])])]);
  const full = checks.length >= MOST;
  const toggle = (id: string) =>
    setChecks(checks.includes(id) ? checks.filter((c) => c !== id) : [...checks, id]);
  return (
    <div className={css.form}>
      <p className="quiet">{say.oneToThreeThoseOffered()}</p>
      <div className={css.offers}>
        {shown.map((item) => (
          <button
            key={item.id}
            type="button"
            aria-pressed={checks.includes(item.id)}
            disabled={full && !checks.includes(item.id)}
            onClick={() => toggle(item.id)}
          >
            {item.label}
          </button>
        ))}
      </div>
      <SearchSelect
        label={say.somethingElse()}
        placeholder={say.typeAFewLetters()}
        disabled={full}
        value={null}
        data={byStage(possible.filter((item) => !checks.includes(item.id)))}
        onChange={(id) => id !== null && setChecks([...checks, id])}
      />
      <Button
        disabled={checks.length === 0}
        onClick={() => {
          onChoose(checks);
          onClose();
        }}
      >
        {say.lookAtThis({ count: checks.length })}
      </Button>
    </div>
  );
}

function byStage(items: Evidence[]) {
  const stages = [...new Set(items.map((item) => item.stage))];
  return stages.map((stage) => ({
    group: STAGE_WORDS[stage] ?? stage,
    items: items
      .filter((item) => item.stage === stage)
      .map((item) => ({ value: item.id, label: item.label })),
  }));
}
