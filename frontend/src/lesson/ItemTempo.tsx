import { useState } from 'react';

import touch from '../components/touch.module.css';
import { TempoWork } from '../exercise/TempoWork';
import { tempoAfter } from '../exercise/tempoWork';
import css from './GiveStep.module.css';
import { atTempo, type PlanItem, type Wish } from './planDraft';
import { Setting } from './Setting';
import * as say from '../messages/compiled/lesson';

const TEMPO_STEP = 4;

/** Where the beat starts and where it leads; one touch gives it one where it has none. */
export function Tempos({ item, onChange }: { item: PlanItem; onChange: (wish: Wish) => void }) {
  if (!item.tempo_work && item.goal === null) return null;
  if (item.goal === null) {
    return (
      <button
        type="button"
        className={`${touch.word} ${css.beat}`}
        onClick={() => onChange(atTempo(item, 'goal', 0))}
      >
        {say.playItToABeat()}
      </button>
    );
  }
  return (['tempo', 'goal'] as const).map((which) => (
    <Setting
      key={which}
      label={which === 'tempo' ? say.start() : say.goal()}
      value={`♩ = ${item[which]}`}
      detail=""
      less={() => onChange(atTempo(item, which, -TEMPO_STEP))}
      more={() => onChange(atTempo(item, which, TEMPO_STEP))}
      name={item.name}
    />
  ));
}

/** Find the loose tempo in the lesson; the week then starts from it. */
export function TryTempo({ item, onStart }: { item: PlanItem; onStart: (tempo: number) => void }) {
  const [plays, setPlays] = useState<boolean[]>([]);
  const { highest } = tempoAfter(item.tempo_steps, plays);
  return (
    <details className={css.fold}>
      <summary>{say.findTheLooseTempoNow()}</summary>
      <TempoWork
        steps={item.tempo_steps}
        plays={plays}
        onPlay={(clean) => setPlays([...plays, clean])}
        name={item.name}
      />
      {highest !== null && highest !== item.tempo && (
        <button type="button" className={touch.word} onClick={() => onStart(highest)}>
          {say.startTheWeekAt({ highest })}
        </button>
      )}
    </details>
  );
}
