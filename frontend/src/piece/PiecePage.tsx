import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useLocation, useParams, useSearch } from 'wouter';

import { NextAction } from '../components/NextAction';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import screen from '../components/screen.module.css';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { usePointerLeavesNoFocus } from '../components/usePointerLeavesNoFocus';
import { NoteChange } from './NoteChange';
import css from './PiecePage.module.css';
import { changePiece, removePiece } from '../pieces/passage';
import {
  type Passage,
  passageQuery,
  type PieceChange,
  piecesQuery,
  printed,
  type Tell,
} from '../pieces/pieces';
import { PieceMusic } from './PieceMusic';
import { PieceParts } from './PieceParts';
import { PlaceOpen } from './PlaceOpen';
import * as say from '../messages/compiled/piece';
import { Rich } from '../messages/Rich';

/** A player's piece: where the trouble will come back, why, and how to get there without it. */
export function PiecePage() {
  const params = useParams();
  const playerId = Number(params['playerId']);
  const pieceId = Number(params['pieceId']);
  const query = useQuery(passageQuery(playerId, pieceId));
  if (query.error && !query.data)
    return <Problem error={query.error} onRetry={() => void query.refetch()} />;
  return (
    <>
      <PageHead
        title={query.data?.title ?? 'A piece'}
        about={say.aPlayersPiece()}
        href={`/players/${playerId}`}
        isOld={query.isError}
      />
      {query.data ? (
        <Opened playerId={playerId} passage={query.data} />
      ) : (
        <p role="status" className={css.reading}>
          {say.reading()}
        </p>
      )}
    </>
  );
}

function Opened({ playerId, passage }: { playerId: number; passage: Passage }) {
  usePointerLeavesNoFocus();
  const cache = useQueryClient();
  const [, navigate] = useLocation();
  const [chosen, setChosen] = useState<number | null>(null);
  const [opened, setOpened] = useState(0);
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
  const place = passage.worst[opened] ?? passage.worst[0] ?? null;
  const isIn = place !== null && place.at.join() === passage.week.join();
  const into = place && !passage.paused ? () => tell({ week: isIn ? [] : place.at }) : undefined;
  const note = passage.notes.find((each) => each.number === chosen);
  useKeys({ Enter: into });
  return (
    <div className={`${screen.screen} ${screen.filled}`}>
      <section className={`${screen.left} ${css.left}`} aria-label={say.theMusic()}>
        <Scroll className={css.scroll}>
          <PieceMusic
            passage={passage}
            place={place?.at ?? []}
            isBusy={change.isPending}
            onChoose={setChosen}
            onAnother={() => change.mutate({ another: true })}
          />
          <PieceParts
            playerId={playerId}
            passage={passage}
            isBusy={change.isPending}
            tell={tell}
            onHeard={keep}
            onChoose={setChosen}
            onRemove={() => remove.mutate()}
            isRemoving={remove.isPending}
          />
        </Scroll>
        {note && (
          <NoteChange
            key={note.number}
            note={note}
            isBusy={change.isPending}
            onChange={(told) => change.mutate({ number: note.number, ...told })}
            onDone={() => setChosen(null)}
          />
        )}
      </section>
      <section
        className={`${screen.right} ${css.right}`}
        aria-label={say.whereTheTroubleComesBack()}
      >
        {passage.paused && (
          <p role="alert" className={css.stop}>
            <Rich
              says={say.aStopIsUpNobody()}
              as={{ link: (words) => <Link href={`/players/${playerId}`}>{words}</Link> }}
            />
          </p>
        )}
        {change.error && (
          <p role="alert" className={css.problem}>
            {change.error.message}
          </p>
        )}
        <PlaceOpen
          playerId={playerId}
          passage={passage}
          opened={place === null ? null : passage.worst.indexOf(place)}
          onOpen={setOpened}
        />
        <nav className={css.ways} aria-label={say.back()}>
          <Link className={touch.word} href={`/players/${playerId}`}>
            {say.backToThePlayer()}
          </Link>
          {lesson > 0 && (
            <Link className={touch.word} href={`/lessons/${lesson}`}>
              {say.backToTheLesson()}
            </Link>
          )}
        </nav>
      </section>
      <PieceFoot passage={passage} isIn={isIn} into={into} />
    </div>
  );
}

interface FootProps {
  passage: Passage;
  isIn: boolean;
  into: (() => void) | undefined;
}

/** What of it is in the week, and the place that is open into it. */
function PieceFoot({ passage, isIn, into }: FootProps) {
  return (
    <div className={screen.foot}>
      <div className={css.week} role="status">
        <p>{passage.week.length > 0 ? say.thePlayersStepIntoMusic() : say.nothingOfItYet()}</p>
        <strong>{weekWords(passage)}</strong>
      </div>
      <NextAction isNext={into !== undefined && !isIn} disabled={!into} onClick={() => into?.()}>
        {isIn ? say.takeItOut() : say.intoTheWeek()}
      </NextAction>
    </div>
  );
}

function weekWords(passage: Passage): string {
  const [first, last] = passage.week;
  if (first === undefined || last === undefined) return say.inTheWeek();
  return say.barsTo({ first: printed(passage, first), last: printed(passage, last) });
}
