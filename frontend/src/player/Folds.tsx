import { useQuery } from '@tanstack/react-query';

import type { Schemas } from '../api/client';
import { picturesQuery } from '../api/queries';
import { Fold } from '../components/Fold';
import { late } from '../components/late';
import { Reminders } from '../components/Reminders';
import touch from '../components/touch.module.css';
import { LazyPieces } from '../pieces/LazyPieces';
import { piecesQuery } from '../pieces/pieces';
import { isHeldUp, shortDate } from '../words/words';
import { Ladders, standsAt } from './Ladders';
import { Measures } from './Measures';
import css from './PlayerPage.module.css';
import { givenWeeks, Sheets } from './Sheets';
import { WhatElse, withNotes } from './WhatElse';

const Fit = late(async () => (await import('./Fit')).Fit);
const Pictures = late(async () => (await import('./Pictures')).Pictures);
const PlayerFile = late(async () => (await import('./PlayerFile')).PlayerFile);
const OwnNotes = late(async () => (await import('../components/OwnNotes')).OwnNotes);
const WayChoices = late(async () => (await import('../components/WayChoices')).WayChoices);
const Timeline = late(async () => (await import('./Timeline')).Timeline);

type Player = Schemas['PlayerOut'];

interface Props {
  data: Player;
  measures: Schemas['TermMeasureOut'][];
  /** Of the picture that is shown. */
  span: string;
  onWhole: () => void;
  onWay: (key: string, value: string | null) => void;
}

/** All else that is known of a player, each part in a line of its own until it is opened. */
export function Folds({ data, measures, span, onWhole, onWay }: Props) {
  const { player, lessons, ladders, flags, reminders, ways } = data;
  const pieces = useQuery(piecesQuery(player.id)).data ?? [];
  const pictures = useQuery(picturesQuery(player.id)).data ?? [];
  const given = givenWeeks(lessons);
  const notes = withNotes(lessons);
  const lifted = flags.filter((flag) => flag.lifted_on !== null);
  const climbed = ladders.filter((ladder) => standsAt(ladder) === ladder.rungs).length;
  const own = ways.filter((each) => each.is_own).length;
  return (
    <div className={css.folds}>
      {given.length > 0 && (
        <Fold
          title="Sheets"
          summary={`${given.length}, the newest of ${shortDate(given.at(-1)?.date ?? '')}`}
        >
          {() => <Sheets lessons={lessons} />}
        </Fold>
      )}
      {ladders.length > 0 && (
        <Fold
          title="Steps climbed"
          summary={`${count(ladders.length, 'exercise')}, ${climbed} to the last step`}
        >
          {() => <Ladders ladders={ladders} />}
        </Fold>
      )}
      {data.rows.length > 0 && (
        <Fold title="Every sign" summary={`lesson by lesson, ${count(lessons.length, 'lesson')}`}>
          {() => <EverySign data={data} measures={measures} onWhole={onWhole} />}
        </Fold>
      )}
      {reminders.length > 0 && (
        <Fold title="Kept in view" summary={reminders.map((each) => each.name).join(', ')}>
          {() => <Reminders reminders={reminders} />}
        </Fold>
      )}
      {notes.length > 0 && (
        <Fold title="Words and trials" summary={notes[0]?.notes[0] ?? ''}>
          {() => <WhatElse lessons={lessons} />}
        </Fold>
      )}
      {data.partner_looks.length > 0 && (
        <Fold title="Seen by partners" summary="in a class; no grades">
          {() => <SeenByPartners looks={data.partner_looks} />}
        </Fold>
      )}
      <Fold title="To yourself" summary="a line for next time, a talk with a parent">
        {() => <OwnNotes playerId={player.id} />}
      </Fold>
      <Fold
        title="Own music"
        summary={pieces.map((piece) => piece.title).join(', ') || 'none yet: bring one in'}
      >
        {() => <LazyPieces playerId={player.id} />}
      </Fold>
      <Fold title="Body and fit" summary="span, size, pad, endpin, tapes">
        {() => <Fit playerId={player.id} isHeldUp={isHeldUp(player)} />}
      </Fold>
      <Fold
        title="Pictures and sounds"
        summary={pictures.length > 0 ? count(pictures.length, 'picture') : 'none yet'}
      >
        {() => <Pictures player={player} />}
      </Fold>
      <Fold
        title="Way of teaching"
        summary={own > 0 ? `${count(own, 'choice')} of this player's own` : 'as at your desk'}
      >
        {() => <WayChoices ways={ways} onChoose={onWay} backWords="as at your desk" />}
      </Fold>
      {lifted.length > 0 && (
        <Fold title="Stops that were lifted" summary={count(lifted.length, 'stop')}>
          {() => <Lifted flags={lifted} />}
        </Fold>
      )}
      <Fold title="Records" summary="save as a file or a table, the picture to take along, erase">
        {() => (
          <PlayerFile id={player.id} name={player.name} sounds={data.kept_sounds} span={span} />
        )}
      </Fold>
    </div>
  );
}

function count(number: number, of: string): string {
  return `${number} ${of}${number === 1 ? '' : 's'}`;
}

/** Apart from what the teacher saw, newest first. */
function SeenByPartners({ looks }: { looks: Player['partner_looks'] }) {
  return (
    <ul className={css.notes}>
      {looks.map((look) => (
        <li key={look.on + look.label}>
          <strong>{shortDate(look.on)}</strong> {look.label}: {look.saw ? 'seen' : 'not seen'}
          {look.watcher && ` by ${look.watcher}`}
        </li>
      ))}
    </ul>
  );
}

type EverySignProps = Pick<Props, 'data' | 'measures' | 'onWhole'>;

/** Each sign over the lessons, and every number that was measured. */
function EverySign({ data: { lessons, rows, hidden }, measures, onWhole }: EverySignProps) {
  return (
    <>
      <Measures measures={measures} />
      <Timeline
        name="Findings over the lessons"
        lessons={lessons}
        focus={lessons.map((lesson) => lesson.focus[0] ?? '')}
        rows={rows.map((row) => ({ key: row.evidence, ...row }))}
      />
      {hidden > 0 && (
        <button type="button" className={touch.word} onClick={onWhole}>
          Show {hidden} earlier {hidden === 1 ? 'lesson' : 'lessons'}
        </button>
      )}
    </>
  );
}

function Lifted({ flags }: { flags: Player['flags'] }) {
  return (
    <ul className={css.notes}>
      {flags.map((flag) => (
        <li key={flag.raised_on + flag.reasons.join() + flag.note}>
          {shortDate(flag.raised_on)}, {flag.reasons.join('; ')}:{' '}
          {flag.mistaken ? 'taken back' : 'lifted'} {flag.lifted_on && shortDate(flag.lifted_on)}, “
          {flag.note}”
        </li>
      ))}
    </ul>
  );
}
