import { Stops } from '../components/Stops';
import { Scroll } from '../components/Scroll';
import css from './PiecePage.module.css';
import type { Passage } from '../pieces/pieces';
import { WayDrills } from './WayDrills';
import * as say from '../messages/compiled/piece';
import { Rich } from '../messages/Rich';
import { fromTo, inTurn, listed, sentences } from '../words/lists';

interface Props {
  playerId: number;
  passage: Passage;
  /** Which of the places; null where there is none. */
  opened: number | null;
  onOpen: (place: number) => void;
}

/** The places where it comes back, one of them open: why, where to let go, and the way there. */
export function PlaceOpen({ playerId, passage, opened, onOpen }: Props) {
  const place = opened === null ? null : passage.worst[opened];
  return (
    <>
      <div className={css.places}>
        {opened !== null && (
          <Stops
            label={say.places()}
            stops={passage.worst.map((each, number) => ({
              id: String(number),
              label: barsWords(each.bars),
              done: each.at.join() === passage.week.join(),
            }))}
            now={String(opened)}
            onGo={(id) => onOpen(Number(id))}
          />
        )}
      </div>
      <Scroll className={css.place}>
        {place ? (
          <>
            <h2>{barsWords(place.bars)}</h2>
            <p className={css.why}>{place.words}</p>
          </>
        ) : (
          <>
            <h2>{say.aTuneForThisHand()}</h2>
            <p className={css.why}>{say.nothingHereAsksForWhat()}</p>
          </>
        )}
        <LettingGo passage={passage} />
        <Harder passage={passage} />
        <Reach passage={passage} />
        <Way passage={passage} playerId={playerId} />
      </Scroll>
    </>
  );
}

function barsWords(bars: string[]): string {
  return bars.length > 1
    ? say.bars({ bars: listed(bars) })
    : say.barOfBars({ bars: bars[0] ?? '' });
}

function LettingGo({ passage }: { passage: Passage }) {
  return (
    <p>
      <Rich says={say.placesToLetGoA({ letsGo: passage.lets_go })} />{' '}
      {passage.too_few !== null && say.theLongestStretchWithoutOne({ tooFew: passage.too_few })}
    </p>
  );
}

function Harder({ passage: { harder } }: { passage: Passage }) {
  if (!harder) return null;
  return harder.words.length > 0 ? (
    <p>
      <Rich
        says={say.harderThanForThisHand({ than: harder.than, words: harder.words.join('; ') })}
      />
    </p>
  ) : (
    <p className="quiet">{say.noHarderThanForThis({ than: harder.than })}</p>
  );
}

function Reach({ passage }: { passage: Passage }) {
  if (passage.reach.length === 0) return null;
  return (
    <section>
      <h3>{say.fartherThanThisHandAt()}</h3>
      <ul>
        {passage.reach.map((each) => (
          <li key={each.words}>{say.barOfBarAlone({ bar: each.bar, words: each.words })}</li>
        ))}
      </ul>
      <p className="quiet">
        {sentences([!passage.span_known && say.ofAUsualHandThis(), say.whatHelpsAnotherStringOr()])}
      </p>
    </section>
  );
}

function Way({ passage, playerId }: { passage: Passage; playerId: number }) {
  const { way } = passage;
  if (!way) return null;
  return (
    <section>
      <h3>{say.theWayThere()}</h3>
      <p>
        <Rich
          says={say.beginWithBarsStartAt({
            stages: inTurn(way.stages.map((stage) => fromTo(stage))),
            start: way.start,
            count: way.steps.length - 1,
            goal: way.goal,
          })}
        />
      </p>
      <WayDrills playerId={playerId} passage={passage} />
    </section>
  );
}
