import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { classSheetsQuery } from '../api/classQueries';
import { Dialog } from '../components/Dialog';
import { A4, paperAsked, PAPERS } from '../components/papers';
import { Problem } from '../components/Problem';
import touch from '../components/touch.module.css';
import { WordChoice } from '../components/WordChoice';
import css from './SheetsDialog.module.css';

interface Props {
  groupId: number;
  onClose: () => void;
}

/** Every player's own sheet in one print. */
export function SheetsDialog({ groupId, onClose }: Props) {
  return (
    <Dialog opened onClose={onClose} title="Sheets for all">
      <SheetsForm groupId={groupId} />
    </Dialog>
  );
}

function SheetsForm({ groupId }: Pick<Props, 'groupId'>) {
  const query = useQuery(classSheetsQuery(groupId));
  const [chosen, setChosen] = useState(A4.id);
  const [helper, setHelper] = useState(false);
  if (query.error && !query.data)
    return <Problem error={query.error} onRetry={() => void query.refetch()} />;
  if (!query.data) return null;
  const { printed, without } = query.data;
  const paper = PAPERS.find((each) => each.id === chosen) ?? A4;
  const address = `/api/groups/${groupId}/sheets.pdf?${paperAsked({ ...paper.as, helper })}`;
  if (printed.length === 0)
    return <p>Nobody in this group has a week yet. Give one in a lesson.</p>;
  return (
    <div className={css.form}>
      <p>
        <strong>In one print:</strong> {printed.join(', ')}.
      </p>
      {without.length > 0 && (
        <p className="quiet">
          <strong>No week now:</strong> {without.join(', ')}.
        </p>
      )}
      <WordChoice
        className={css.papers}
        label="Paper"
        choices={PAPERS}
        chosen={chosen}
        onChoose={setChosen}
      />
      <button
        type="button"
        className={touch.word}
        aria-pressed={helper}
        onClick={() => setHelper(!helper)}
      >
        Each with a page for a helper
      </button>
      <Button component="a" href={address} target="_blank" rel="noreferrer">
        Open the PDF
      </Button>
    </div>
  );
}
