import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';

import { drillChoicesQuery, todayQuery } from '../api/queries';
import { INSTRUMENT_WORDS } from '../words/words';
import type { Hit } from './shelves';
import { beside } from '../words/lists';

/** What is found beside the shelves once a word is written: the teacher's players, of any instrument, drills of this one, and tunes. */
export function useBeside(instrument: string, isSearching: boolean): Hit[] {
  const day = useQuery({ ...todayQuery, enabled: isSearching }).data;
  const choices = useQuery({ ...drillChoicesQuery, enabled: isSearching }).data;
  return useMemo(() => {
    const players = (day?.rows ?? []).map(({ player }): Hit => {
      const about = [INSTRUMENT_WORDS[player.instrument], player.age, player.piece];
      return found('players', `${player.id}`, player.name, beside(about));
    });
    const drills = (choices?.drills ?? [])
      .filter((drill) => drill.instruments.includes(instrument))
      .map((drill): Hit => found('drills', drill.id, drill.title, drill.hint));
    const tunes = (choices?.tunes ?? [])
      .filter((tune) => tune.instruments.includes(instrument))
      .map((tune): Hit => found('tunes', tune.id, tune.title, tune.origin));
    return [...players, ...drills, ...tunes];
  }, [day, choices, instrument]);
}

function found(shelf: Hit['shelf'], id: string, name: string, line: string): Hit {
  const instruments = Object.keys(INSTRUMENT_WORDS);
  return { shelf, entry: { id, name, line, place: '', instruments, text: '', called: [] } };
}
