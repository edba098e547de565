import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useLocation, useParams, useSearch } from 'wouter';

import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import { SureButton } from '../components/SureButton';
import touch from '../components/touch.module.css';
import { BarStrip } from './BarStrip';
import { ForWeek } from './ForWeek';
import { HearPiece } from './HearPiece';
import { NoteChange } from './NoteChange';
import css from './PiecePage.module.css';
import { changePiece, removePiece } from './passage';
import { type Passage, passageQuery, type PieceChange, piecesQuery, type Tell } from './pieces';
import { PieceMusic } from './PieceMusic';
import { PieceSettings } from './PieceSettings';
import { WayDrills } from './WayDrills';

/** A player's piece: where the trouble will come back, why, and how to get there without it. */
export function PiecePage() {
  const params = useParams();
  const playerId = Number(params['playerId']);
  const pieceId = Number(params['pieceId']);
  const query = useQuery(passageQuery(playerId, pieceId));
  if (query.error) return <Problem error={query.error} onRetry={() => void query.refetch()} />;
  if (!query.data) return <p role="status">Reading …</p>;
  return <Opened playerId={playerId} passage={query.data} />;
}

function Opened({ playerId, passage }: { playerId: number; passage: Passage }) {
  const cache = useQueryClient();
  const [, navigate] = useLocation();
  const [chosen, setChosen] = useState<number | null>(null);
  const lesson = Number(new URLSearchParams(useSearch()).get('lesson'));
  function keep(now: Passage) {
    cache.setQueryData(passageQuery(playerId, passage.id).queryKey, now);
    void cache.invalidateQueries(piecesQuery(playerId));
  }
  const change = useMutation({
    mutationFn: (told: PieceChange) => changePiece(playerId, passage.id, told),
    onSuccess: keep,
  });
  const tell: Tell = (told, onDone) =>
    change.mutate(told, { ...(onDone && { onSuccess: onDone }) });
  const remove = useMutation({
    mutationFn: () => removePiece(playerId, passage.id),
    onSuccess: (left) => {
      cache.setQueryData(piecesQuery(playerId).queryKey, left);
      cache.removeQueries(passageQuery(playerId, passage.id));
      navigate(`/players/${playerId}`);
    },
  });
  const note = passage.notes.find((each) => each.number === chosen);
  return (
    <>
      <PageHead title={passage.title} about="a player’s piece" />
      <div className={css.page}>
        <header className={css.head}>
          <Link href={`/players/${playerId}`}>Back to the player</Link>
          {lesson > 0 && <Link href={`/lessons/${lesson}`}>Back to the lesson</Link>}
        </header>
        {passage.paused && (
          <p role="alert">
            A stop is up: nobody practises towards this until you have lifted it.{' '}
            <Link href={`/players/${playerId}`}>See the stop</Link>
          </p>
        )}
        <Worst passage={passage} tell={tell} />
        <Harder passage={passage} />
        <PieceSettings passage={passage} tell={tell} />
        {change.error && <p role="alert">{change.error.message}</p>}
        <PieceMusic
          passage={passage}
          isBusy={change.isPending}
          onChoose={setChosen}
          onAnother={() => change.mutate({ another: true })}
        />
        {note && (
          <NoteChange
            key={note.number}
            note={note}
            isBusy={change.isPending}
            onChange={(told) => change.mutate({ number: note.number, ...told })}
            onDone={() => setChosen(null)}
          />
        )}
        <BarStrip bars={passage.bars} />
        <LettingGo passage={passage} />
        <Reach passage={passage} />
        <Way passage={passage} playerId={playerId} />
        {!passage.paused && <ForWeek passage={passage} isBusy={change.isPending} tell={tell} />}
        {!passage.paused && <HearPiece playerId={playerId} passage={passage} onHeard={keep} />}
        <Notes passage={passage} onChoose={setChosen} />
        {passage.remarks.map((words) => (
          <p key={words} className="quiet">
            {words}
          </p>
        ))}
        <div className={css.row}>
          <Button
            component="a"
            variant="default"
            href={`/api/players/${playerId}/pieces/${passage.id}/marked.musicxml`}
          >
            The part with these marks (MusicXML)
          </Button>
          {!passage.paused && (
            <Button
              component="a"
              variant="default"
              href={`/api/players/${playerId}/pieces/${passage.id}/part.pdf`}
            >
              These bars as PDF
            </Button>
          )}
          <SureButton
            sure="Yes, remove it and its fingers"
            isBusy={remove.isPending}
            onSure={() => remove.mutate()}
          >
            Remove this piece
          </SureButton>
        </div>
      </div>
    </>
  );
}

function Worst({ passage, tell }: { passage: Passage; tell: Tell }) {
  if (passage.worst.length === 0)
    return <p className={css.lead}>Nothing here asks for what troubles this hand.</p>;
  return (
    <ol className={css.worst}>
      {passage.worst.map((place) => (
        <li key={place.bars.join()}>
          <strong>Bars {place.bars.join(' and ')}.</strong> {place.words}{' '}
          {!passage.paused && <IntoWeek passage={passage} place={place} tell={tell} />}
        </li>
      ))}
    </ol>
  );
}

interface IntoWeekProps {
  passage: Passage;
  place: Passage['worst'][number];
  tell: Tell;
}

/** One place as the week's step into music, or not; the button stays where the finger is. */
function IntoWeek({ passage, place, tell }: IntoWeekProps) {
  const isIn = place.at.join() === passage.week.join();
  return (
    <button
      type="button"
      className={touch.button}
      aria-pressed={isIn}
      onClick={() => tell({ week: isIn ? [] : place.at })}
    >
      {isIn ? 'In the week' : 'Into the week'}
      <span className="sr-only">bars {place.bars.join(' and ')}</span>
    </button>
  );
}

function Harder({ passage }: { passage: Passage }) {
  const { harder } = passage;
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

function LettingGo({ passage }: { passage: Passage }) {
  return (
    <p>
      <strong>Places to let go</strong>, a comma in the music: {passage.lets_go}.{' '}
      {passage.too_few !== null &&
        `The longest stretch without one is ${passage.too_few} s: add a stop for practice there.`}
    </p>
  );
}

function Reach({ passage }: { passage: Passage }) {
  if (passage.reach.length === 0) return null;
  return (
    <section>
      <h2>Farther than this hand at ease</h2>
      <ul className={css.why}>
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
      <h2>The way there</h2>
      <p>
        Begin with bars {way.stages.map((stage) => stage.join(' to ')).join(', then ')}. Start at ♩
        = <strong>{way.start}</strong> and go up by 7 % whenever it was loose:{' '}
        {way.steps.length - 1} steps to {way.goal}.
      </p>
      <WayDrills playerId={playerId} passage={passage} />
    </section>
  );
}

function Notes({ passage, onChoose }: { passage: Passage; onChoose: (number: number) => void }) {
  return (
    <details>
      <summary>Every note</summary>
      <ul className={css.notes}>
        {passage.notes.map((note) => (
          <li key={note.number}>
            <button type="button" onClick={() => onChoose(note.number)}>
              bar {note.bar}, {note.pitch}: {note.finger ?? 'no finger'}
              {note.string !== null && `, string ${note.string}`}
              {note.lets_go && ', let go'}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
