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
import * as say from '../messages/compiled/class';
import { listed } from '../words/lists';

interface Props {
  groupId: number;
  onClose: () => void;
}

/** Every player's own sheet in one print. */
export function SheetsDialog({ groupId, onClose }: Props) {
  return (
    <Dialog opened onClose={onClose} title={say.sheetsForAll()}>
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
  if (printed.length === 0) return <p>{say.nobodyInThisGroupHas()}</p>;
  return (
    <div className={css.form}>
      <p>
        <strong>{say.inOnePrint()}</strong> {listed(printed)}.
      </p>
      {without.length > 0 && (
        <p className="quiet">
          <strong>{say.noWeekNow()}</strong> {listed(without)}.
        </p>
      )}
      <WordChoice
        className={css.papers}
        label={say.paper()}
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
        {say.eachWithAPageFor()}
      </button>
      <Button component="a" href={address} target="_blank" rel="noreferrer">
        {say.openThePdf()}
      </Button>
    </div>
  );
}
