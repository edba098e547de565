import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useLocation, useParams } from 'wouter';

import { Problem } from '../components/Problem';
import { SureButton } from '../components/SureButton';
import { BarStrip } from './BarStrip';
import { NoteChange } from './NoteChange';
import css from './PiecePage.module.css';
import {
  changePiece,
  type Passage,
  type PassageNote,
  passageQuery,
  type PieceChange,
  piecesQuery,
  removePiece,
} from './pieces';
import { PieceSettings } from './PieceSettings';

const REACH = 32; // pixels
const NOTE_ID = /^note-(\d+)$/;

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
  const change = useMutation({
    mutationFn: (told: PieceChange) => changePiece(playerId, passage.id, told),
    onSuccess: (now) => {
      cache.setQueryData(passageQuery(playerId, passage.id).queryKey, now);
      void cache.invalidateQueries(piecesQuery(playerId));
    },
  });
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
    <div className={css.page}>
      <header className={css.head}>
        <h1>{passage.title}</h1>
        <Link href={`/players/${playerId}`}>Back to the player</Link>
      </header>
      {passage.paused && (
        <p role="alert">
          A stop is up: nobody practises towards this until you have lifted it.{' '}
          <Link href={`/players/${playerId}`}>See the stop</Link>
        </p>
      )}
      <Worst passage={passage} />
      <PieceSettings
        key={`${passage.part} ${passage.first} ${passage.last} ${passage.tempo}`}
        passage={passage}
        onChange={(told) => change.mutate(told)}
      />
      {change.error && <p role="alert">{change.error.message}</p>}
      {passage.music === '' && (
        <p>This music could not be drawn; its fingers and loads stand below all the same.</p>
      )}
      <div
        className={css.music}
        role="img"
        aria-label="The music with fingers and places to let go. The table below holds every note."
        onClick={(event) => setChosen(nearestNote(event.currentTarget, event, passage.notes))}
        // Drawn by our own server from a part that it has cleaned.
        dangerouslySetInnerHTML={{ __html: passage.music }}
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
      <Way passage={passage} />
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
          loading={remove.isPending}
          onSure={() => remove.mutate()}
        >
          Remove this piece
        </SureButton>
      </div>
    </div>
  );
}

/** The number of the note whose head is nearest to a touch; null for none within reach. */
function nearestNote(
  music: HTMLElement,
  touch: { clientX: number; clientY: number },
  notes: readonly PassageNote[],
): number | null {
  // A note that is tied to the one before is no note of its own.
  const known = new Set(notes.map((note) => note.number));
  let nearest: number | null = null;
  let reach = REACH;
  for (const note of music.querySelectorAll<SVGElement>('g[id^="note-"]')) {
    const number = Number(NOTE_ID.exec(note.id)?.[1]);
    const box = (note.querySelector('.notehead') ?? note).getBoundingClientRect();
    const away = Math.hypot(
      box.left + box.width / 2 - touch.clientX,
      box.top + box.height / 2 - touch.clientY,
    );
    if (known.has(number) && away < reach) {
      nearest = number;
      reach = away;
    }
  }
  return nearest;
}

function Worst({ passage }: { passage: Passage }) {
  if (passage.worst.length === 0)
    return <p className={css.lead}>Nothing here asks for what troubles this hand.</p>;
  return (
    <ol className={css.worst}>
      {passage.worst.map((place) => (
        <li key={place.bars.join()}>
          <strong>Bars {place.bars.join(' and ')}.</strong> {place.words}
        </li>
      ))}
    </ol>
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

function Way({ passage }: { passage: Passage }) {
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
