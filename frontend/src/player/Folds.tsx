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
import * as say from '../messages/compiled/player';
import { Rich } from '../messages/Rich';
import { beside } from '../words/lists';

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
          title={say.sheets()}
          summary={say.theNewestOf({
            count: given.length,
            date: shortDate(given.at(-1)?.date ?? ''),
          })}
        >
          {() => <Sheets lessons={lessons} />}
        </Fold>
      )}
      {ladders.length > 0 && (
        <Fold
          title={say.stepsClimbed()}
          summary={say.toTheLastStep({ count: ladders.length, climbed })}
        >
          {() => <Ladders ladders={ladders} />}
        </Fold>
      )}
      {data.rows.length > 0 && (
        <Fold title={say.everySign()} summary={say.lessonByLesson({ count: lessons.length })}>
          {() => <EverySign data={data} measures={measures} onWhole={onWhole} />}
        </Fold>
      )}
      {reminders.length > 0 && (
        <Fold title={say.keptInView()} summary={beside(reminders.map((each) => each.name))}>
          {() => <Reminders reminders={reminders} />}
        </Fold>
      )}
      {notes.length > 0 && (
        <Fold title={say.wordsAndTrials()} summary={notes[0]?.notes[0] ?? ''}>
          {() => <WhatElse lessons={lessons} />}
        </Fold>
      )}
      {data.partner_looks.length > 0 && (
        <Fold title={say.seenByPartners()} summary={say.inAClassNoGrades()}>
          {() => <SeenByPartners looks={data.partner_looks} />}
        </Fold>
      )}
      <Fold title={say.toYourself()} summary={say.aLineForNextTime()}>
        {() => <OwnNotes playerId={player.id} />}
      </Fold>
      <Fold
        title={say.ownMusic()}
        summary={beside(pieces.map((piece) => piece.title)) || say.noneYetBringOneIn()}
      >
        {() => <LazyPieces playerId={player.id} />}
      </Fold>
      <Fold title={say.bodyAndFit()} summary={say.spanSizePadEndpinTapes()}>
        {() => <Fit playerId={player.id} isHeldUp={isHeldUp(player)} />}
      </Fold>
      <Fold
        title={say.picturesAndSounds()}
        summary={
          pictures.length > 0 ? say.countPictures({ count: pictures.length }) : say.noneYet()
        }
      >
        {() => <Pictures player={player} />}
      </Fold>
      <Fold
        title={say.wayOfTeaching()}
        summary={own > 0 ? say.ofThisPlayerSOwn({ own }) : say.asAtYourDesk()}
      >
        {() => <WayChoices ways={ways} onChoose={onWay} backWords={say.asAtYourDesk()} />}
      </Fold>
      {lifted.length > 0 && (
        <Fold title={say.stopsThatWereLifted()} summary={say.countStops({ count: lifted.length })}>
          {() => <Lifted flags={lifted} />}
        </Fold>
      )}
      <Fold title={say.records()} summary={say.saveAsAFileOr()}>
        {() => (
          <PlayerFile id={player.id} name={player.name} sounds={data.kept_sounds} span={span} />
        )}
      </Fold>
    </div>
  );
}

/** Apart from what the teacher saw, newest first. */
function SeenByPartners({ looks }: { looks: Player['partner_looks'] }) {
  return (
    <ul className={css.notes}>
      {looks.map((look) => (
        <li key={look.on + look.label}>
          <Rich
            says={
              look.saw
                ? say.seen({ on: shortDate(look.on), label: look.label })
                : say.notSeen({ on: shortDate(look.on), label: look.label })
            }
          />
          {look.watcher && ` ${say.by({ watcher: look.watcher })}`}
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
        name={say.findingsOverTheLessons()}
        lessons={lessons}
        focus={lessons.map((lesson) => lesson.focus[0] ?? '')}
        rows={rows.map((row) => ({ key: row.evidence, ...row }))}
      />
      {hidden > 0 && (
        <button type="button" className={touch.word} onClick={onWhole}>
          {say.showEarlierLesson({ hidden })}
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
          {flag.mistaken
            ? say.takenBack({
                raisedOn: shortDate(flag.raised_on),
                reasons: flag.reasons.join('; '),
              })
            : say.lifted({
                raisedOn: shortDate(flag.raised_on),
                reasons: flag.reasons.join('; '),
              })}{' '}
          {flag.lifted_on && shortDate(flag.lifted_on)}, “{flag.note}”
        </li>
      ))}
    </ul>
  );
}
