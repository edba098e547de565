import type { HomeItem } from '../weekNow';
import * as say from '../../messages/compiled/home';

export type Kind = 'call' | 'tempo' | 'beat' | 'timer' | 'listen' | 'tone';

export const NAMES: Record<Kind, string> = {
  call: say.caller(),
  tempo: say.tempo(),
  beat: say.beat(),
  timer: say.timer(),
  listen: say.listen(),
  tone: say.tone(),
};
const MOST = 3;

/** The tools of an exercise, the one that it needs first in front; three at most. */
export function kindsOf(item: HomeItem): Kind[] {
  const hasNotes = item.notes.length > 0;
  const isTempoWork = item.tempo_steps.length > 1;
  const kinds: Kind[] = [
    ...(item.calls ? (['call'] as const) : []),
    ...(isTempoWork ? (['tempo'] as const) : []),
    ...(!isTempoWork && (item.tempo !== null || hasNotes) ? (['beat'] as const) : []),
    ...(hasNotes ? (['listen', 'tone'] as const) : []),
    'timer',
  ];
  return kinds.slice(0, MOST);
}
