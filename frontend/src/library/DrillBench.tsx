import '@mantine/core/styles/NumberInput.css';
import '@mantine/core/styles/Switch.css';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, unwrap } from '../api/client';
import { drillChoicesQuery } from '../api/queries';
import { Listen } from '../audio/Listen';
import { StopLooks } from '../exercise/StopLooks';
import { BarStrip } from '../pieces/BarStrip';
import { Settings, type Wanted, fitting } from './DrillSettings';
import css from './LibraryPage.module.css';
import * as say from '../messages/compiled/library';

const USUAL_DRILL = 'frame_pattern';

interface Props {
  instrument: string;
  /** What is tried at first; null for the usual one, and for a tune that is chosen for the hand. */
  drill: string | null;
  tune: string | null;
}

/** A drill's settings, and at once its picture and its sound; files to take along. */
export function DrillBench({ instrument, drill, tune }: Props) {
  const choices = useQuery(drillChoicesQuery);
  const [settings, setSettings] = useState<Omit<Wanted, 'instrument'>>({
    drill: drill ?? USUAL_DRILL,
    tempo: 60,
    position: 1,
    difficulty: 2,
    seed: 1,
    tune,
  });
  const wanted = fitting({ ...settings, instrument }, choices.data);
  const music = useQuery({
    queryKey: ['drills', wanted],
    queryFn: async () => unwrap(await client.GET('/api/drills/one', { params: { query: wanted } })),
    placeholderData: keepPreviousData,
    retry: false,
  });
  if (!choices.data) return null;
  const set = (change: Partial<Wanted>) => setSettings({ ...settings, ...change });
  const problem = music.error instanceof ApiError ? music.error.fields[0]?.problem : undefined;
  return (
    <div className={css.bench}>
      <Settings wanted={wanted} choices={choices.data} onChange={set} />
      {music.error ? (
        <p role="alert">{say.thisDoesNotGoTogether({ problem: problem ?? music.error.message })}</p>
      ) : (
        music.data && (
          <>
            <StopLooks looks={music.data.looks} />
            <Listen
              key={JSON.stringify(wanted)}
              name={music.data.title}
              music={music.data.music}
              notes={music.data.notes}
              tempo={music.data.tempo}
              beatsABar={music.data.beats}
              canAnswer
            />
            {music.data.asks.length > 0 && (
              <>
                <p>
                  <strong>{say.asksFor()}</strong> {music.data.asks.join('; ')}.
                </p>
                <BarStrip key={music.data.title} bars={music.data.bars} />
              </>
            )}
            <p className={css.files}>
              <Page wanted={wanted} words={say.toPrint()} />
              <Page wanted={wanted} blanks="notes" words={say.oneNoteABarBlank()} />
              <Page wanted={wanted} blanks="bars" words={say.everySecondBarBlank()} />
              <a href={`/api/drills/one.musicxml?${query(wanted)}`}>{say.musicxmlFile()}</a>
              <a href={`/api/drills/one.mid?${query(wanted)}`}>{say.midiFile()}</a>
            </p>
          </>
        )
      )}
    </div>
  );
}

/** A page to print; `blanks`: what of it is left to the player. */
function Page(props: { wanted: Wanted; blanks?: 'notes' | 'bars'; words: string }) {
  const { wanted, blanks, words } = props;
  const left = blanks ? `&blanks=${blanks}` : '';
  return (
    <a href={`/api/drills/one.pdf?${query(wanted)}${left}`} target="_blank" rel="noreferrer">
      {words}
    </a>
  );
}

function query(wanted: Wanted): string {
  const given = Object.entries(wanted).filter(([, value]) => value !== null);
  return new URLSearchParams(given.map(([name, value]) => [name, String(value)])).toString();
}
