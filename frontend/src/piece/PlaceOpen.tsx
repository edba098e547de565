import { Stops } from '../components/Stops';
import { Scroll } from '../components/Scroll';
import css from './PiecePage.module.css';
import type { Passage } from '../pieces/pieces';
import { WayDrills } from './WayDrills';

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
            label="Places"
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
            <h2>A tune for this hand</h2>
            <p className={css.why}>Nothing here asks for what troubles this hand.</p>
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
  return bars.length > 1 ? `Bars ${bars.join(' and ')}` : `Bar ${bars[0] ?? ''}`;
}

function LettingGo({ passage }: { passage: Passage }) {
  return (
    <p>
      <strong>Places to let go</strong>, a comma in the music: {passage.lets_go}.{' '}
      {passage.too_few !== null &&
        `The longest stretch without one is ${passage.too_few} s: add a stop for practice there.`}
    </p>
  );
}

function Harder({ passage: { harder } }: { passage: Passage }) {
  if (!harder) return null;
  return harder.words.length > 0 ? (
    <p>
      <strong>Harder than {harder.than}</strong> for this hand, because it asks for{' '}
      {harder.words.join('; ')}.
    </p>
  ) : (
    <p className="quiet">No harder than {harder.than} for this hand.</p>
  );
}

function Reach({ passage }: { passage: Passage }) {
  if (passage.reach.length === 0) return null;
  return (
    <section>
      <h3>Farther than this hand at ease</h3>
      <ul>
        {passage.reach.map((each) => (
          <li key={each.words}>
            Bar {each.bar}: {each.words}
          </li>
        ))}
      </ul>
      <p className="quiet">
        {!passage.span_known && 'Of a usual hand: this one’s span was not measured yet. '}
        What helps: another string or position (touch the note), a turn of the hand, a smaller
        instrument.
      </p>
    </section>
  );
}

function Way({ passage, playerId }: { passage: Passage; playerId: number }) {
  const { way } = passage;
  if (!way) return null;
  return (
    <section>
      <h3>The way there</h3>
      <p>
        Begin with bars {way.stages.map((stage) => stage.join(' to ')).join(', then ')}. Start at ♩
        = <strong>{way.start}</strong> and go up by 7 % whenever it was loose:{' '}
        {way.steps.length - 1} steps to {way.goal}.
      </p>
      <WayDrills playerId={playerId} passage={passage} />
    </section>
  );
}
