import { useState } from 'react';

import type { HomeItem } from '../weekNow';
import { Beat } from './Beat';
import { Caller } from './Caller';
import { kindsOf, type Kind, NAMES } from './kinds';
import { ListenTool } from './ListenTool';
import { TempoTool } from './TempoTool';
import { Timer } from './Timer';
import { Tones } from './Tones';
import css from './tools.module.css';
import * as say from '../../messages/compiled/home';

interface Props {
  item: HomeItem;
  openStrings: number[];
  plays: readonly boolean[];
  onPlay: (clean: boolean) => void;
  /** Beats of the music that have sounded; null while nothing counts them. */
  onBeat: (beat: number | null) => void;
  /** The note that sounds, by its place in the music; null for none. */
  onNote: (place: number | null) => void;
}

/** One tool at a time, the one that this exercise needs first. */
export function ToolPanel({ item, openStrings, plays, onPlay, onBeat, onNote }: Props) {
  const kinds = kindsOf(item);
  const [chosen, setChosen] = useState<Kind>(kinds[0] ?? 'timer');
  return (
    <section className={css.tool} aria-label={NAMES[chosen]}>
      {kinds.length > 1 && (
        <div className={css.kinds} role="group" aria-label={say.tools()}>
          {kinds.map((kind) => (
            <button
              key={kind}
              type="button"
              aria-pressed={kind === chosen}
              onClick={() => setChosen(kind)}
            >
              {NAMES[kind]}
            </button>
          ))}
        </div>
      )}
      {chosen === 'call' && item.calls && <Caller calls={item.calls} />}
      {chosen === 'tempo' && (
        <TempoTool steps={item.tempo_steps} plays={plays} onPlay={onPlay} onBeat={onBeat} />
      )}
      {chosen === 'beat' && <Beat tempo={item.beat ?? item.tempo ?? undefined} onBeat={onBeat} />}
      {chosen === 'timer' && <Timer cues={item.cues} />}
      {chosen === 'listen' && <ListenTool item={item} onBeat={onBeat} onNote={onNote} />}
      {chosen === 'tone' && (
        <Tones target={item.notes[0]?.midi ?? null} openStrings={openStrings} />
      )}
    </section>
  );
}
